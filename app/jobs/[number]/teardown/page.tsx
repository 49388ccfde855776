'use client';
import dynamic from 'next/dynamic';
import { onceReady } from '@/ui/job/ready';
import { StageWaiting } from '@/ui/job/waiting';

export default dynamic(() => import('@/ui/teardown/teardown').then((m) => onceReady(m.Teardown)), {
  ssr: false,
  loading: StageWaiting,
});
