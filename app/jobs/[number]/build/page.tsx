'use client';
import { onceReady } from '@/ui/job/ready';
import { StageWaiting } from '@/ui/job/waiting';
import { drawnLater } from '@/ui/system';

export default drawnLater(
  () => import('@/ui/build/build').then((m) => onceReady(m.BuildStage)),
  StageWaiting,
);
