'use client';
import dynamic from 'next/dynamic';
import { onceReady } from '@/ui/job/ready';
import { StageWaiting } from '@/ui/job/waiting';

export default dynamic(() => import('@/ui/teardown/paper').then((m) => onceReady(m.Paper)), {
  ssr: false,
  loading: StageWaiting,
});
