'use client';
import { StageWaiting } from '@/ui/job/waiting';
import { drawnLater } from '@/ui/system';

/* Drawn in the browser, as a job's stages are: each page loads its own code alone. */

export const UnitView = drawnLater(() => import('@/ui/library/view').then((m) => m.UnitView), StageWaiting);
export const UnitEditor = drawnLater(
  () => import('@/ui/library/editor').then((m) => m.UnitEditor),
  StageWaiting,
);
