'use client';
import dynamic from 'next/dynamic';
import { onceReady } from '@/ui/job/ready';
import { StageWaiting } from '@/ui/job/waiting';

/*
 * The server sends a job's record and frame; the stage itself is drawn in the browser, where the outbox knows what is
 * not yet saved. That spares the server the heaviest part of the page, and each stage loads its own code alone.
 */

export const Intake = dynamic(() => import('@/ui/intake/intake').then((m) => onceReady(m.Intake)), {
  ssr: false,
  loading: StageWaiting,
});
export const Suspects = dynamic(() => import('@/ui/suspects/suspects').then((m) => onceReady(m.Suspects)), {
  ssr: false,
  loading: StageWaiting,
});
export const Teardown = dynamic(() => import('@/ui/teardown/teardown').then((m) => onceReady(m.Teardown)), {
  ssr: false,
  loading: StageWaiting,
});
export const Cause = dynamic(() => import('@/ui/cause/cause').then((m) => onceReady(m.CauseStage)), {
  ssr: false,
  loading: StageWaiting,
});
export const Scope = dynamic(() => import('@/ui/scope/scope').then((m) => onceReady(m.ScopeStage)), {
  ssr: false,
  loading: StageWaiting,
});
export const Quote = dynamic(() => import('@/ui/quote/quote').then((m) => onceReady(m.QuoteStage)), {
  ssr: false,
  loading: StageWaiting,
});
export const Paper = dynamic(() => import('@/ui/teardown/paper').then((m) => onceReady(m.Paper)), {
  ssr: false,
  loading: StageWaiting,
});
export const Build = dynamic(() => import('@/ui/build/build').then((m) => onceReady(m.BuildStage)), {
  ssr: false,
  loading: StageWaiting,
});
