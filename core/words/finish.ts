import type {
  EdgeReason,
  FittingOrder,
  HangingFinding,
  LampFitting,
  OuterGlass,
  Play,
  Stiffening,
} from '../finish/index.ts';
import { showFineLength, showLength, showNumbers, type DisplayUnit } from '../units/index.ts';

/** What is wrong with how a panel hangs, and what cures it, in one sentence. */
export function hangingFindingWords(finding: HangingFinding): string {
  switch (finding.code) {
    case 'ring-on-nothing':
      return 'A ring is on the rim alone; foil and border tear off. Move it to where a seam ends, or to a corner.';
    case 'one-sided':
      return 'All the weight is on one side of the rings; set one of them beyond the middle.';
    case 'rings-low':
      return 'The rings are below the middle of the weight: it turns upside down. Set them higher.';
    case 'hangs-askew':
      return `It hangs ${finding.tiltDeg.toFixed(1)}° askew, the ${finding.leftDown ? 'left' : 'right'} side low; move the rings that way, or make that chain shorter.`;
    case 'seams-few':
      return `Each ring bears ${finding.perRingN.toFixed(0)} N, and ${finding.there === 1 ? 'one seam ends' : `${finding.there} seams end`} there; run wire from it along ${finding.wanted} seams, or give the panel a frame.`;
    case 'wire-thin':
      return `${finding.pullN.toFixed(0)} N is more than wire in its seams should bear; give the panel a frame that takes the weight.`;
  }
}

/** Why an edge does best. */
export const EDGE_WHY: Readonly<Record<EdgeReason, string>> = {
  shade: 'The rims of a shade are beaded, with wire in the bead where it is large.',
  small: 'A foil panel this small holds with a beaded rim.',
  large: 'A foil panel this large wants a stiff came of zinc round it.',
  leaded: 'A leaded panel has its border came.',
  framed: 'A panel of about 0.7 × 1.0 m and more is framed, so that the frame takes the weight.',
  'in-opening': 'In an opening a lead border is trimmed to fit; zinc is not.',
};

/** What keeps a panel flat, in sentences. */
export function stiffeningWords({ isFramed, bars, hinges }: Stiffening, unit: DisplayUnit): string[] {
  const free = hinges.filter((hinge) => !hinge.isHeld);
  return [
    ...(isFramed ? [EDGE_WHY.framed] : []),
    ...bars.map(({ y, overLinesMm, lengthMm, crosses }) => {
      const part = lengthMm === 0 ? 0 : Math.round((overLinesMm / lengthMm) * 100);
      const shows = crosses.length === 0 ? 'shows over no piece' : `shows over ${showNumbers(crosses, 8)}`;
      return `A bar ${showLength(y, unit)} from the top: ${part} % of it lies over lines, and it ${shows}.`;
    }),
    ...(free.length > 0
      ? [
          `${free.length === 1 ? 'One straight line runs' : `${free.length} straight lines run`} right across, where it bends like a hinge; a bar across ${free.length === 1 ? 'it' : 'them'}, or a strip in the line, holds it.`,
        ]
      : []),
  ];
}

/** How a panel stands in its opening. */
export function playWords({ leftMm, topMm, bottomMm }: Play, unit: DisplayUnit): string {
  const side = (mm: number) => showFineLength(Math.abs(mm), unit);
  const faults = [
    ...(leftMm < 0 ? [`too wide by ${side(2 * leftMm)}`] : []),
    ...(topMm < 0 || bottomMm < 0 ? [`too high by ${side(topMm + bottomMm)}`] : []),
  ];
  if (faults.length > 0) return `It is ${faults.join(' and ')}; ease the opening or the border before the day.`;
  return `It has ${side(leftMm)} of play left and right, ${side(topMm)} above, and stands on blocks of ${side(bottomMm)}.`;
}

/** Why the last light of an opening is the last. */
export function lastLightWords({ lights, last }: FittingOrder, unit: DisplayUnit): string {
  const light = lights.at(-1);
  if (!light || last === 'alone') return 'From the top down, so that nothing falls on what is in already.';
  const why =
    last === 'most-play'
      ? `it has the most play, ${showFineLength(light.playMm ?? 0, unit)}, and can be sprung in`
      : 'it is the widest; measure the openings, for the one with the most play goes in best at the end';
  return `From the top down, so that nothing falls on what is in already. ${light.name} last: ${why}.`;
}

/** The glass outside a panel, in a sentence. */
export function outerGlassWords({ thicknessMm, massKg, gapMm, slotMm }: OuterGlass, unit: DisplayUnit): string {
  const glass =
    thicknessMm === null || massKg === null
      ? 'So large a glass is chosen by who reckons with the wind'
      : `Float glass of ${thicknessMm} mm weighs ${massKg.toFixed(1)} kg`;
  return `${glass}; it stands ${showFineLength(gapMm, unit)} or more before the panel, with a slot of ${showFineLength(slotMm, unit)} above and below open to the room, so that both faces of the panel stay dry. Which glass it is, laminated or toughened, the local code says.`;
}

/** What carries a shade, in sentences. */
export function lampWords({ spider, capMm, ratedKg, baseKg, baseMm }: LampFitting, unit: DisplayUnit): string[] {
  const arms = spider === 'cap' ? '' : `, with a spider of ${spider} soldered across inside`;
  return [
    `A brass cap of ${showLength(capMm, unit)} or more carries it${arms}; tin the cap first, and check that it sits central.`,
    `Hung: chain, hook and fixing marked for ${ratedKg} kg or more, by their labels.`,
    `On a base: one of ${baseKg.toFixed(1)} kg or more and ${showLength(baseMm, unit)} wide; a riser of ${showLength(12, unit)} to ${showLength(50, unit)} sets its height.`,
  ];
}
