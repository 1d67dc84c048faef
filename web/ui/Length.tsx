import { mmToInchFraction, trimNumber, type DisplayUnit } from '#core/units';

/** A length in the reader's unit, its fraction set as one where there is one. */
export function Length({ mm, unit, digits = 0 }: { mm: number; unit: DisplayUnit; digits?: number }) {
  if (unit === 'mm') return <span className="whitespace-nowrap">{trimNumber(mm, digits)} mm</span>;
  const { negative, whole, top, bottom } = mmToInchFraction(mm, digits > 0 ? 32 : 16);
  return (
    <span className="whitespace-nowrap">
      {negative && '−'}
      {(whole > 0 || top === 0) && whole}
      {whole > 0 && top > 0 && ' '}
      {top > 0 && <span className="frac">{`${top}/${bottom}`}</span>} in
    </span>
  );
}

export function Measures({ widthMm, heightMm, unit }: { widthMm: number; heightMm: number; unit: DisplayUnit }) {
  if (unit === 'mm') {
    // What is smaller than a finger is nothing in whole millimetres.
    const digits = Math.min(widthMm, heightMm) < 20 ? 1 : 0;
    return (
      <span className="whitespace-nowrap">
        {trimNumber(widthMm, digits)} × {trimNumber(heightMm, digits)} mm
      </span>
    );
  }
  return (
    <span className="whitespace-nowrap">
      <Length mm={widthMm} unit="in" /> × <Length mm={heightMm} unit="in" />
    </span>
  );
}
