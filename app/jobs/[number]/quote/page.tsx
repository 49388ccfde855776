'use client';
import dynamic from 'next/dynamic';
import { onceReady } from '@/ui/job/ready';
import { StageWaiting } from '@/ui/job/waiting';

export default dynamic(() => import('@/ui/quote/quote').then((m) => onceReady(m.QuoteStage)), {
  ssr: false,
  loading: StageWaiting,
});
