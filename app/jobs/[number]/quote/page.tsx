'use client';
import { onceReady } from '@/ui/job/ready';
import { StageWaiting } from '@/ui/job/waiting';
import { drawnLater } from '@/ui/system';

export default drawnLater(
  () => import('@/ui/quote/quote').then((m) => onceReady(m.QuoteStage)),
  StageWaiting,
);
