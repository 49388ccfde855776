'use client';
import dynamic from 'next/dynamic';
import { onceReady } from '@/ui/job/ready';
import { StageWaiting } from '@/ui/job/waiting';

export default dynamic(() => import('@/ui/suspects/suspects').then((m) => onceReady(m.Suspects)), {
  ssr: false,
  loading: StageWaiting,
});
