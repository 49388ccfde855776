'use client';
import { onceReady } from '@/ui/job/ready';
import { StageWaiting } from '@/ui/job/waiting';
import { drawnLater } from '@/ui/system';

export default drawnLater(
  () => import('@/ui/suspects/suspects').then((m) => onceReady(m.Suspects)),
  StageWaiting,
);
