'use client';
import { useSyncExternalStore } from 'react';
import type { Finding } from '@/core/case';
import type { CataloguePoint } from '@/core/inspection';
import { NumberInput } from '@/ui/system';

/**
 * The temperature of the bench and what lies on it, kept on this device and put to each reading that asks for one, until
 * the reading says otherwise.
 */
const KEY = 'pelvik-bench-temperature';
const USUAL = 20;
const listeners = new Set<() => void>();

function benchTemperature(): number {
  const kept = typeof localStorage === 'undefined' ? null : localStorage.getItem(KEY);
  return kept === null || Number.isNaN(Number(kept)) ? USUAL : Number(kept);
}

/** What a finding of the bench is first said with: a reading on the vehicle has its own temperature. */
export function benchConditions({ file, point }: CataloguePoint): Partial<Finding> {
  const onBench = file.stage === 'teardown' && point.ask?.includes('temperatureC');
  return onBench ? { temperatureC: benchTemperature() } : {};
}

function keep(value: number): void {
  localStorage.setItem(KEY, String(value));
  listeners.forEach((listener) => listener());
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export function BenchTemperature() {
  const value = useSyncExternalStore(subscribe, benchTemperature, () => USUAL);
  return (
    <label style={{ display: 'flex', alignItems: 'center', gap: 8, width: 150, fontSize: '0.875rem' }}>
      Bench
      <NumberInput
        label="Bench temperature"
        hideLabel
        unit="°C"
        min={-20}
        max={60}
        pause
        value={value}
        onChange={(v) => v !== null && keep(v)}
      />
    </label>
  );
}
