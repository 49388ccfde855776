'use client';
import dynamic from 'next/dynamic';
import { onceReady } from '@/ui/job/ready';
import { StageWaiting } from '@/ui/job/waiting';

export default dynamic(() => import('@/ui/scope/scope').then((m) => onceReady(m.ScopeStage)), {
  ssr: false,
  loading: StageWaiting,
});
