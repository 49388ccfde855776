/** The mark: a pack seen edge-on, one plate blue. */
export function Mark({ size = 28 }: { size?: number }) {
  const plates = [0, 1, 2, 3, 4, 5];
  return (
    <svg width={size} height={size} viewBox="0 0 28 28" aria-hidden>
      {plates.map((k) => (
        <rect
          key={k}
          x={1 + k * 4.6}
          y={k % 2 ? 6 : 2}
          width={3}
          height={k % 2 ? 16 : 24}
          fill={k === 3 ? '#6d94ff' : 'currentColor'}
        />
      ))}
    </svg>
  );
}
