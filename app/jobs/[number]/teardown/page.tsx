'use client';
import { onceReady } from '@/ui/job/ready';
import { StageWaiting } from '@/ui/job/waiting';
import { drawnLater } from '@/ui/system';

export default drawnLater(
  () => import('@/ui/teardown/teardown').then((m) => onceReady(m.Teardown)),
  StageWaiting,
);
