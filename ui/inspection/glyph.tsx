import type { GlyphId } from '@/core/inspection';

/** Small section drawings, in the manner of the unit's own: what a row is about is seen before it is read. */
const PATHS: Record<GlyphId, React.ReactNode> = {
  plate: <path d="M5 3V21M10 5V19M14 3V21M19 5V19" />,
  drum: <path d="M4 4H20V9H9V20H4z" />,
  piston: <path d="M4 12H8M8 5H13V10H20V14H13V19H8z" />,
  seal: <path d="M12 4a8 8 0 1 0 .01 0M12 8a4 4 0 1 0 .01 0" />,
  spring: <path d="M4 6 20 9 4 12 20 15 4 18" />,
  ring: <path d="M14 4.3A8 8 0 1 1 10 4.3" />,
  band: <path d="M6 20A9 9 0 1 1 18 20M6 20H3M18 20H21" />,
  shaft: <path d="M2 10H8V7H16V10H22V14H16V17H8V14H2z" />,
  gear: (
    <path d="M12 8a4 4 0 1 0 .01 0M12 2V5M12 19V22M2 12H5M19 12H22M5 5 7 7M17 17 19 19M19 5 17 7M7 17 5 19" />
  ),
  carrier: <path d="M12 9a3 3 0 1 0 .01 0M12 2a3 3 0 1 0 .01 0M4 15a3 3 0 1 0 .01 0M20 15a3 3 0 1 0 .01 0" />,
  bearing: <path d="M4 5H20M4 19H20M7 12a2 2 0 1 0 .01 0M12 10a2 2 0 1 0 .01 0M17 12a2 2 0 1 0 .01 0" />,
  bushing: <path d="M5 4H9V20H5zM15 4H19V20H15z" />,
  'one-way': <path d="M4 4H20M4 20H20M7 17 11 7M12 17 16 7" />,
  pump: <path d="M12 3a9 9 0 1 0 .01 0M12 8a5 5 0 0 0 0 10z" />,
  converter: <path d="M14 3C6 3 4 8 4 12S6 21 14 21M14 3V21M14 12H21" />,
  filter: <path d="M4 5H20V19H4zM8 5V19M12 5V19M16 5V19" />,
  drop: <path d="M12 3C8 9 6 12 6 15a6 6 0 0 0 12 0C18 12 16 9 12 3z" />,
  crumbs: <path d="M6 17h.01M11 18h.01M17 17h.01M8 12h.01M14 12h.01M11 7h.01" strokeWidth="4" />,
  solenoid: <path d="M4 7H16V17H4zM16 10H21V14H16zM8 7V17M12 7V17" />,
  sensor: <path d="M9 3H15V13H9zM9 13 11 18H13L15 13M12 18V21" />,
  valve: <path d="M2 12H5M5 8H10V16H5zM10 12H14M14 8H19V16H14zM19 12H22" />,
  case: <path d="M3 4H15L21 9V15L15 20H3z" />,
  plug: <path d="M4 8H14V16H4zM14 10H20M14 14H20" />,
  cooler: <path d="M3 6H21V18H3zM6 6V18M10 6V18M14 6V18M18 6V18" />,
  pawl: <path d="M4 6 14 6 18 12 15 14 12 10H4zM18 12V20" />,
  mark: <path d="M5 19 16 8 19 5M14 6 18 10" />,
};

export function Glyph({ id }: { id: GlyphId }) {
  return (
    <svg
      width="24"
      height="24"
      viewBox="0 0 24 24"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.7"
      strokeLinecap="round"
      aria-hidden
    >
      {PATHS[id]}
    </svg>
  );
}
