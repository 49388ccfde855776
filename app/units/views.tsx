'use client';
import dynamic from 'next/dynamic';
import { StageWaiting } from '@/ui/job/waiting';

/* Drawn in the browser, as a job's stages are: each page loads its own code alone. */

export const UnitView = dynamic(() => import('@/ui/library/view').then((m) => m.UnitView), {
  ssr: false,
  loading: StageWaiting,
});
export const UnitEditor = dynamic(() => import('@/ui/library/editor').then((m) => m.UnitEditor), {
  ssr: false,
  loading: StageWaiting,
});
