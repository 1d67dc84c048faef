import { readProfile, type CameProfile, type LineAllowance } from '../sizing/index.ts';
import { showFineLength, type DisplayUnit } from '../units/index.ts';

/** A came or foil by the code of its profile, as it is sold: `H came of 1⁄4 in (6 mm) face`. */
export function profileWords(code: string, unit: DisplayUnit): string {
  const profile = readProfile(code);
  if (!profile) return code;
  return profile.kind === 'foil' ? `foil, gap of ${showFineLength(profile.gapMm, unit)}` : cameWords(profile, unit);
}

/** `H came of 6 mm face`, `domed H came of 10 mm face`, `U came of zinc, 10 mm face`. */
function cameWords({ kind, metal, isRound, faceMm }: CameProfile, unit: DisplayUnit): string {
  const face = `${showFineLength(faceMm, unit)} face`;
  return `${isRound ? 'domed ' : ''}${kind} came of ${metal === 'lead' ? face : `${metal}, ${face}`}`;
}

/** What goes round a panel's outline. */
export function borderWords(allowance: LineAllowance, unit: DisplayUnit): string {
  if (allowance.border !== undefined) return profileWords(allowance.border, unit);
  return allowance.technique === 'foil'
    ? 'foil and a bead of solder'
    : `H came of ${showFineLength(allowance.faceMm, unit)} face, as inside`;
}
