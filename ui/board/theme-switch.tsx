'use client';
import { Moon, Sun } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/ui/system';

/** Between light and dark; kept on this device. */
export function ThemeSwitch() {
  const [dark, setDark] = useState<boolean | null>(null);
  const shown =
    dark ?? (typeof document !== 'undefined' && document.documentElement.dataset.theme === 'dark');
  return (
    <Button
      $kind="frame"
      aria-label="Switch between light and dark"
      onPress={() => {
        const next = document.documentElement.dataset.theme !== 'dark';
        document.documentElement.dataset.theme = next ? 'dark' : 'light';
        localStorage.setItem('pelvik-theme', next ? 'dark' : 'light');
        setDark(next);
      }}
    >
      <span suppressHydrationWarning>
        {shown ? <Sun size={20} aria-hidden /> : <Moon size={20} aria-hidden />}
      </span>
    </Button>
  );
}
