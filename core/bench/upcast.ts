import type { UpcastContext } from './act.ts';
import { ACT_KINDS, actOf, happeningOf, isActKind, type ActKind, type Happening } from './acts/index.ts';

/** The act that a kind in the log means, by its present name or one it had before; null for none. */
export function kindNamed(kind: string): ActKind | null {
  if (isActKind(kind)) return kind;
  return ACT_KINDS.find((name) => actOf(name).formerly.includes(kind)) ?? null;
}

/** Whether an event says what it says in today's way. */
export const isUpToDate = (kind: string, version: number): boolean =>
  isActKind(kind) && actOf(kind).version === version;

/**
 * Brings an event of any older version up to today's.
 * @throws where the log names an act that never was, or a version that is newer than this program
 */
export function upToDate(kind: string, version: number, fact: unknown, context: UpcastContext): Happening {
  const name = kindNamed(kind);
  if (name === null) throw new Error(`the log tells of “${kind}”, which this version of Nelvik does not know`);
  const act = actOf(name);
  if (version > act.version)
    throw new Error(`“${kind}” was written by a newer version of Nelvik (${version}, this one knows ${act.version})`);
  let current = fact;
  for (let v = version; v < act.version; v++) {
    const upcast = act.upcasts[v];
    if (!upcast) throw new Error(`nothing brings version ${v} of “${name}” up to date`);
    current = upcast(current as never, context);
  }
  return happeningOf(name, current);
}
