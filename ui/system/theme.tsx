'use client';
import { createGlobalStyle } from 'styled-components';

/**
 * Tokens. Two themes, one accent: the blue a fitter paints on metal before marking out. Red, amber and green carry
 * condition only, and never alone: shape or pattern says the same.
 */
export const GlobalStyle = createGlobalStyle`
  :root {
    color-scheme: light;
    --ground: #d7dcd4;
    --sheet: #f6f6ef;
    --inset: #e8ebe2;
    --ink: #14201e;
    --ink-soft: #47544f;
    --rule: #bcc4ba;
    --rule-strong: #727e78;
    --frame: #12201e;
    --frame-raised: #1d302d;
    --frame-ink: #eef2e9;
    --frame-soft: #a3b4ab;
    --frame-rule: #3a504a;
    --accent: #1c49b4;
    --accent-ink: #ffffff;
    --accent-wash: #d3dcf2;
    --bad: #a3231a;
    --bad-wash: #f4d8d2;
    --warn: #7d5200;
    --warn-wash: #f3e3bb;
    --good: #1b6040;
    --good-wash: #d3e8d9;
    --steel: #aeb8b6;
    --lining: #8a6a4c;
    --hatch: #8b968f;
    --step: 8px;
    --body: 'Archivo Variable', 'Archivo', system-ui, sans-serif;
  }
  :root[data-theme='dark'] {
    color-scheme: dark;
    --ground: #0f1716;
    --sheet: #18221f;
    --inset: #212d2a;
    --ink: #e8ede4;
    --ink-soft: #a8b5ae;
    --rule: #33423d;
    --rule-strong: #6f7f78;
    --frame: #0a1110;
    --frame-raised: #17231f;
    --frame-ink: #eef2e9;
    --frame-soft: #94a69d;
    --frame-rule: #2d3f3a;
    --accent: #8fb0ff;
    --accent-ink: #0b1530;
    --accent-wash: #22335f;
    --bad: #ff9384;
    --bad-wash: #4a1f1a;
    --warn: #f0bf5a;
    --warn-wash: #433310;
    --good: #80cf9f;
    --good-wash: #173a28;
    --steel: #7d8a88;
    --lining: #a27d5a;
    --hatch: #596862;
  }
  * { box-sizing: border-box; }
  small { font-size: 0.875rem; }
  html { font-size: 16px; -webkit-text-size-adjust: 100%; }
  body {
    margin: 0;
    background: var(--ground);
    color: var(--ink);
    font: 400 1rem/1.4 var(--body);
    font-variant-numeric: tabular-nums;
    overflow-wrap: break-word;
  }
  h1, h2, h3, p, ul, ol, dl, dd, figure { margin: 0; padding: 0; }
  h1, h2, h3 { font-weight: 650; font-stretch: 108%; line-height: 1.15; letter-spacing: -0.005em; }
  ul, ol { list-style: none; }
  a { color: var(--accent); }
  button, input, textarea, select { font: inherit; color: inherit; font-variant-numeric: tabular-nums; }
  :focus-visible, [data-focus-visible] { outline: 3px solid var(--accent); outline-offset: 2px; }
  .skip {
    position: absolute; left: 8px; top: -60px; z-index: 20; display: grid; place-items: center;
    min-height: 44px; padding: 0 16px; background: var(--accent); color: var(--accent-ink); font-weight: 650;
  }
  .skip:focus { top: 8px; }
  #main:focus { outline: none; }
  ::selection { background: var(--accent); color: var(--accent-ink); }
  @media (prefers-reduced-motion: reduce) { * { animation: none !important; transition: none !important; } }
  @media print {
    :root { --ground: #fff; --sheet: #fff; --inset: #fff; --ink: #000; }
    [data-noprint] { display: none !important; }
  }
`;
