'use client';
import dynamic from 'next/dynamic';
import { onceReady } from '@/ui/job/ready';
import { StageWaiting } from '@/ui/job/waiting';

export default dynamic(() => import('@/ui/cause/cause').then((m) => onceReady(m.CauseStage)), {
  ssr: false,
  loading: StageWaiting,
});
