import { z } from 'zod';
import type { Command } from '#core/bench';
import { BOUNDS } from '#core/limits';
import { PROFILE_CODE } from '#core/sizing';
import { ASKS, DOOR_KINDS, savePanel } from './asks.ts';
import { allowance, id, lengthMm, point, words } from './fields.ts';

const commands = DOOR_KINDS.map((kind) => z.strictObject({ kind: z.literal(kind), ask: ASKS[kind] as z.ZodType }));
/** Every command a screen may send. Taking in a drawing and undo have doors of their own. */
export const commandSchema = z.discriminatedUnion('kind', commands as [(typeof commands)[0], ...typeof commands]);

/** Log position that the screen looked at. */
const basis = z.number().int().min(0);
const envelope = {
  /** Made by the client: the same command sent twice counts once. */
  commandId: z.string().min(8).max(60),
  personId: id.nullable(),
  bench: z.string().min(1).max(60),
};

export const submitSchema = z.strictObject({ ...envelope, basis, command: commandSchema });
const undoPlace = z.union([z.literal('rack'), z.literal('setup'), z.strictObject({ panelId: id })]);
/** The last of one's own at a place, or one entry of the log by its position, whoever made it and however large it is. */
export const putBackSchema = z.union([
  z.strictObject({ ...envelope, direction: z.enum(['undo', 'redo']), place: undoPlace }),
  z.strictObject({ ...envelope, entry: z.number().int().min(1) }),
]);
/** What undo and redo would do at a place, for somebody. */
export const undoQuery = z
  .object({ place: z.enum(['rack', 'setup', 'panel']), panel: id.optional(), person: id.optional(), bench: id })
  .transform(({ place, panel = '', person = null, bench }) => ({
    place: place === 'panel' ? { panelId: panel } : place,
    personId: person,
    bench,
  }));
export const cartoonSchema = z.strictObject({
  ...envelope,
  basis,
  sourceName: words(200).min(1),
  source: z.string().min(1).max(32_000_000),
  widthMm: lengthMm.max(BOUNDS.panelMm.most).optional(),
  heightMm: lengthMm.max(BOUNDS.panelMm.most).optional(),
  snapMm: z.number().min(0).max(BOUNDS.snapMm.most).optional(),
  layersIn: z.array(z.string().max(200)).max(200).optional(),
  outline: z.enum(['glass-edge', 'came-outside']).optional(),
  /** Repairs that are to stay as drawn, by their place. */
  refused: z.array(point).max(BOUNDS.pieces.most).optional(),
  /** Ends that are drawn on further than the tolerance. */
  drawOn: z
    .array(z.strictObject({ at: point, gapMm: z.number().min(0).max(BOUNDS.snapMm.most) }))
    .max(BOUNDS.pieces.most)
    .optional(),
  asDrawn: z.boolean().optional(),
  /** Pieces whose glass is cut and that the new drawing may drop. */
  letGo: z.array(z.number().int()).max(BOUNDS.pieces.most).optional(),
});

const line = z.array(point).min(2).max(2000);
const lineNumbers = z.array(z.number().int().min(0).max(200_000)).min(1).max(80_000);
export const editSchema = z.strictObject({
  ...envelope,
  basis,
  /** What the panel is to be with it, where one wish says both: measured and drawn, or a new light of a set. */
  panel: savePanel.omit({ id: true }).optional(),
  edit: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('add-line'), points: line }),
    z.strictObject({ kind: z.literal('add-lines'), lines: z.array(line).min(1).max(50) }),
    z.strictObject({ kind: z.literal('take-line'), line: z.number().int().min(0) }),
    z.strictObject({ kind: z.literal('move-node'), node: z.number().int().min(0), to: point }),
    z.strictObject({
      kind: z.literal('scale'),
      factor: z.number().positive('must be more than 0').max(BOUNDS.scale.most),
    }),
    z.strictObject({
      kind: z.literal('fit'),
      widthMm: lengthMm.max(BOUNDS.panelMm.most),
      heightMm: lengthMm.max(BOUNDS.panelMm.most),
      borderMm: z.number().min(0, 'must not be negative').max(BOUNDS.borderMm.most),
      /** The panel whose drawing is fitted; this one's own when it is left out. */
      from: id.optional(),
    }),
    z.strictObject({
      kind: z.literal('profile'),
      lines: lineNumbers,
      profile: z.string().regex(PROFILE_CODE, 'is no profile').nullable(),
    }),
    z.strictObject({ kind: z.literal('renumber'), order: z.enum(['rows', 'outwards', 'sections']) }),
    z.strictObject({
      kind: z.literal('number'),
      from: z.number().int().min(1).max(BOUNDS.number.most),
      to: z.number().int().min(1).max(BOUNDS.number.most),
    }),
    z.strictObject({ kind: z.literal('allowance'), allowance: allowance }),
  ]),
});
export type EditRequest = z.infer<typeof editSchema>;
export type PanelEdit = EditRequest['edit'];

export type Submit = Omit<z.infer<typeof submitSchema>, 'command'> & { readonly command: Command };
export type PutBackRequest = z.infer<typeof putBackSchema>;
export type CartoonRequest = z.infer<typeof cartoonSchema>;

/** The first thing wrong with an input, as one plain sentence. */
export function firstProblem(error: z.ZodError): string {
  const issue = error.issues[0];
  const field = issue?.path.filter((part) => typeof part === 'string' && !['command', 'ask'].includes(part)).at(-1);
  const plain = FIELD_WORDS[String(field)] ?? 'The entry';
  if (issue?.code === 'invalid_type') {
    const wanted = issue.expected === 'number' ? 'a number' : issue.expected === 'string' ? 'text' : 'complete';
    return `${plain} must be ${wanted}; nothing was changed.`;
  }
  if (issue?.code === 'too_big') return `${plain} is too large; nothing was changed.`;
  if (issue?.code === 'too_small')
    return `${plain} ${/must/.test(issue.message) ? issue.message : 'is too small'}; nothing was changed.`;
  return `${plain} ${issue && /^(must|may|is)/.test(issue.message) ? issue.message : 'is not understood'}; nothing was changed.`;
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  widthMm: 'The width',
  heightMm: 'The height',
  thicknessMm: 'The thickness',
  priceCentsPerM2: 'The price',
  costCents: 'The cost',
  code: 'The code',
  label: 'The label',
  name: 'The name',
  title: 'The name',
  due: 'The due date',
  rateCentsPerHour: 'The rate',
  minutes: 'The time',
  numbers: 'The piece numbers',
  place: 'The place',
  reason: 'The reason',
  studio: 'The studio name',
  gapMm: 'The gap',
  heartMm: 'The heart',
  faceMm: 'The face',
  initial: 'The initial',
  colour: 'The colour',
  locale: 'The locale',
};
