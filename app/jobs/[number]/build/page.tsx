'use client';
import dynamic from 'next/dynamic';
import { onceReady } from '@/ui/job/ready';
import { StageWaiting } from '@/ui/job/waiting';

export default dynamic(() => import('@/ui/build/build').then((m) => onceReady(m.BuildStage)), {
  ssr: false,
  loading: StageWaiting,
});
