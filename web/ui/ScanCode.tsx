import { useEffect, useState } from 'react';

interface Code {
  /** Modules a side. */
  readonly size: number;
  readonly path: string;
}

/** Modules of white round the code, without which it is not found (ISO/IEC 18004 asks for four). */
const QUIET = 4;

/** A text as a code that a tablet's camera reads; black on white by lamplight too. */
export function ScanCode({ text }: { text: string }) {
  const [code, setCode] = useState<Code | null>(null);
  useEffect(() => {
    let isWanted = true;
    void import('qrcode').then(({ default: { create } }) => {
      const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
      const dark = Array.from(data, (bit, i) => (bit ? `M${i % size} ${Math.floor(i / size)}h1v1h-1z` : '')).join('');
      if (isWanted) setCode({ size, path: dark });
    });
    return () => {
      isWanted = false;
    };
  }, [text]);
  if (!code) return <span className="size-40" />;
  const side = code.size + 2 * QUIET;
  return (
    <svg
      role="img"
      aria-label={`Code to scan for ${text}`}
      className="size-40 shrink-0 rounded-md bg-white"
      viewBox={`${-QUIET} ${-QUIET} ${side} ${side}`}
      shapeRendering="crispEdges"
    >
      <path d={code.path} fill="black" />
    </svg>
  );
}
