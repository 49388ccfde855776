'use client';
import { useEffect, useState } from 'react';

/** How often a page that stays open asks whether there is a newer version, ms. */
const EVERY = 30 * 60_000;

/** Offers a newer version of the program when one is ready; it is taken when the person says so, never before. */
export function useNewVersion(): (() => void) | null {
  const [waiting, setWaiting] = useState<ServiceWorker | null>(null);
  useEffect(() => {
    if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return;
    return watchVersions(navigator.serviceWorker, setWaiting);
  }, []);
  return waiting && (() => take(navigator.serviceWorker, waiting, () => location.reload()));
}

type Workers = Pick<ServiceWorkerContainer, 'register' | 'controller' | 'addEventListener'>;

/** Tells of each worker that could take the place of the one at work. Returns how the watch ends. */
export function watchVersions(workers: Workers, offer: (worker: ServiceWorker) => void): () => void {
  let alive = true;
  let asking: ReturnType<typeof setInterval> | undefined;
  void workers.register('/service-worker.js').then((registration) => {
    if (!registration || !alive) return;
    // Without a controller the worker is the first there was: nothing older is being replaced.
    const ready = (worker: ServiceWorker | null) => {
      if (alive && worker && workers.controller) offer(worker);
    };
    ready(registration.waiting);
    // A page may stay open for days: the browser by itself asks only when one is opened.
    asking = setInterval(() => void registration.update().catch(ignore), EVERY);
    registration.addEventListener('updatefound', () => {
      const coming = registration.installing;
      coming?.addEventListener('statechange', () => coming.state === 'installed' && ready(coming));
    });
  }, ignore);
  return () => {
    alive = false;
    clearInterval(asking);
  };
}

/** Has the newer version take over; the page is drawn anew by it, once. */
export function take(workers: Workers, waiting: ServiceWorker, reload: () => void): void {
  workers.addEventListener('controllerchange', reload, { once: true });
  waiting.postMessage({ kind: 'take-over' });
}

/** Asks the service worker to keep a job's other stages, so that they open without the network too. */
export function keepPages(urls: string[]): void {
  if (!('serviceWorker' in navigator)) return;
  void navigator.serviceWorker.ready.then(
    (registration) => registration.active?.postMessage({ kind: 'keep', urls }),
    ignore,
  );
}

// A browser that forbids service workers only does without opening pages offline.
const ignore = () => undefined;
