'use client';
import type { ComponentType } from 'react';
import { useBenchOnceThere } from './provider';
import { StageWaiting } from './waiting';

/** A stage, drawn once there is something to work with: its code and its library come side by side. */
export function onceReady(Stage: ComponentType): ComponentType {
  return function OnceReady() {
    return useBenchOnceThere() ? <Stage /> : <StageWaiting />;
  };
}
