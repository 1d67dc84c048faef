import { z } from 'zod';
import { BACK_REASONS, BREAK_REASON_CODES, WORK_STAGES, type Command } from '#core/bench';
import { HIDINGS, TEXTURES } from '#core/stock';
import { CURRENCIES } from '#core/units';

const id = z.string().min(1).max(60);
const words = (most: number) => z.string().trim().max(most);
const name = words(80).min(1, 'must not be empty');
/** Larger than any piece of glass or panel, mm. */
const lengthMm = z.number().positive('must be more than 0').max(10_000);
const numbers = z.array(z.number().int().min(1).max(99_999)).min(1).max(20_000);
const instant = z.number().int().min(0).max(8.64e15);
const label = words(24).regex(/^[A-Za-z0-9][A-Za-z0-9._-]*$/, 'may have letters, digits, dots and dashes only');
const point = z.tuple([z.number().min(-1e5).max(1e5), z.number().min(-1e5).max(1e5)]);
const cents = z.number().int().min(0, 'must not be negative').max(1e9);

const left = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('stays'), widthMm: lengthMm.optional(), heightMm: lengthMm.optional() }),
  z.object({
    kind: z.literal('offcuts'),
    offcuts: z.array(z.object({ widthMm: lengthMm, heightMm: lengthMm, label: label.optional() })).max(12),
  }),
  z.object({ kind: z.literal('waste') }),
]);

export const allowanceSchema = z.object({
  technique: z.enum(['foil', 'lead']),
  gapMm: z.number().min(0, 'must not be negative').max(5),
  heartMm: z.number().min(0, 'must not be negative').max(10),
  faceMm: z.number().min(0, 'must not be negative').max(30),
  clearanceMm: z.number().min(0, 'must not be negative').max(5),
  outline: z.enum(['glass-edge', 'came-outside']),
});

const act = <K extends string, S extends z.ZodType>(kind: K, ask: S) => z.object({ kind: z.literal(kind), ask });

/** Every command a screen may send. Taking in a drawing and undo have doors of their own. */
export const commandSchema = z.discriminatedUnion('kind', [
  act(
    'settings',
    z
      .object({
        studio: name,
        unit: z.enum(['mm', 'in']),
        currency: z.enum(CURRENCIES),
        locale: words(20).regex(/^[a-z]{2,3}(-[A-Za-z0-9]+)*$/, 'is no locale'),
        longClockMin: z.number().int().min(15).max(1440),
      })
      .partial(),
  ),
  act('person', z.object({ id, name, initial: words(3).min(1), rateCentsPerHour: cents, active: z.boolean() })),
  act(
    'glass',
    z.object({
      id,
      code: label,
      name,
      colour: z.string().regex(/^#[0-9a-f]{6}$/i, 'is no colour'),
      texture: z.enum(TEXTURES as [string, ...string[]]),
      thicknessMm: z.number().positive('must be more than 0').max(40),
      hiding: z.enum(HIDINGS as [string, ...string[]]),
      flow: z.boolean(),
      priceCentsPerM2: cents,
    }),
  ),
  act(
    'commission',
    z.object({
      id,
      title: name,
      client: words(80),
      due: z
        .string()
        .regex(/^\d{4}-\d{2}-\d{2}$/, 'is no date')
        .nullable(),
      note: words(2000),
    }),
  ),
  act(
    'panel',
    z.object({
      id,
      commissionId: id,
      name,
      technique: z.enum(['foil', 'lead']),
      widthMm: lengthMm,
      heightMm: lengthMm,
      allowance: allowanceSchema,
      opening: z
        .object({
          widthMm: lengthMm.max(5000),
          heightMm: lengthMm.max(5000),
          clearanceMm: z.number().min(0, 'must not be negative').max(50),
          coverMm: z.number().min(0, 'must not be negative').max(100),
        })
        .nullable()
        .optional(),
    }),
  ),
  act('give-glass', z.object({ panelId: id, numbers, glassId: id.nullable() })),
  act(
    'cut',
    z.object({
      panelId: id,
      sources: z
        .array(z.object({ stockId: label, numbers, left }))
        .min(1)
        .max(50),
    }),
  ),
  act(
    'mark',
    z.object({
      panelId: id,
      numbers,
      flowDeg: z.number().min(0).max(180).nullable().optional(),
      section: z
        .string()
        .regex(/^[A-Z]$/, 'must be one letter')
        .nullable()
        .optional(),
      sectionName: words(40).optional(),
      locked: z.boolean().optional(),
      recheck: z.literal(false).optional(),
    }),
  ),
  act('advance', z.object({ panelId: id, numbers, to: z.enum(['ground', 'foiled', 'leaded', 'in-place']) })),
  act('step-back', z.object({ panelId: id, numbers, reason: z.enum(BACK_REASONS) })),
  act(
    'break',
    z.object({
      panelId: id,
      numbers,
      reason: z.enum(BREAK_REASON_CODES),
      minutes: z.number().min(0, 'must not be negative').max(600),
      recut: z.object({ stockId: label, left }).nullable(),
    }),
  ),
  act('joints', z.object({ panelId: id, side: z.enum(['front', 'back']), joints: numbers })),
  act(
    'step',
    z.object({
      panelId: id,
      step: z.enum(['solder-front', 'solder-back', 'rim', 'cement', 'patina', 'wash', 'wax', 'deliver']),
    }),
  ),
  act(
    'receive',
    z.object({
      label,
      glassId: id,
      kind: z.enum(['sheet', 'offcut']),
      widthMm: lengthMm,
      heightMm: lengthMm,
      place: words(40),
      costCents: cents,
    }),
  ),
  act('move-stock', z.object({ stockId: label, place: name })),
  act('write-off', z.object({ stockId: label, reason: name })),
  act('clock-start', z.object({ id, personId: id, panelId: id.nullable(), stage: z.enum(WORK_STAGES) })),
  act('clock-stop', z.object({ personId: id, endedAt: instant.nullable() })),
  act(
    'hours',
    z.object({
      id,
      personId: id,
      panelId: id.nullable(),
      stage: z.enum(WORK_STAGES),
      startedAt: instant,
      endedAt: instant,
      note: words(400),
    }),
  ),
  act('hours-remove', z.object({ entryId: id })),
]);

const envelope = {
  /** Made by the client: the same command sent twice counts once. */
  commandId: z.string().min(8).max(60),
  personId: id.nullable(),
  bench: z.string().min(1).max(60),
};

export const submitSchema = z.object({ ...envelope, basis: z.number().int().min(0), command: commandSchema });
export const putBackSchema = z.object({ ...envelope, direction: z.enum(['undo', 'redo']) });
export const cartoonSchema = z.object({
  ...envelope,
  basis: z.number().int().min(0),
  sourceName: words(200).min(1),
  source: z.string().min(1).max(32_000_000),
  widthMm: lengthMm.max(3200).optional(),
  heightMm: lengthMm.max(3200).optional(),
  snapMm: z.number().min(0).max(20).optional(),
  layersIn: z.array(z.string().max(200)).max(200).optional(),
  outline: z.enum(['glass-edge', 'came-outside']).optional(),
  /** Repairs that are to stay as drawn, by their place. */
  refused: z.array(point).max(20_000).optional(),
  /** Ends that are drawn on further than the tolerance. */
  drawOn: z
    .array(z.object({ at: point, gapMm: z.number().min(0).max(20) }))
    .max(20_000)
    .optional(),
  asDrawn: z.boolean().optional(),
  /** Pieces whose glass is cut and that the new drawing may drop. */
  letGo: z.array(z.number().int()).max(20_000).optional(),
});

const line = z.array(point).min(2).max(2000);
const lineNumbers = z.array(z.number().int().min(0).max(200_000)).min(1).max(80_000);
export const editSchema = z.object({
  ...envelope,
  basis: z.number().int().min(0),
  edit: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('add-line'), points: line }),
    z.object({ kind: z.literal('add-lines'), lines: z.array(line).min(1).max(50) }),
    z.object({ kind: z.literal('take-line'), line: z.number().int().min(0) }),
    z.object({ kind: z.literal('move-node'), node: z.number().int().min(0), to: point }),
    z.object({ kind: z.literal('scale'), factor: z.number().positive('must be more than 0').max(1000) }),
    z.object({
      kind: z.literal('fit'),
      widthMm: lengthMm.max(3200),
      heightMm: lengthMm.max(3200),
      borderMm: z.number().min(0, 'must not be negative').max(1000),
      /** The panel whose drawing is fitted; this one's own when it is left out. */
      from: id.optional(),
    }),
    z.object({
      kind: z.literal('profile'),
      lines: lineNumbers,
      profile: z
        .string()
        .regex(/^[huf]\d+(\.\d+)?$/i, 'is no profile')
        .nullable(),
    }),
    z.object({ kind: z.literal('renumber'), order: z.enum(['rows', 'outwards', 'sections']) }),
    z.object({
      kind: z.literal('number'),
      from: z.number().int().min(1).max(99_999),
      to: z.number().int().min(1).max(99_999),
    }),
    z.object({ kind: z.literal('allowance'), allowance: allowanceSchema }),
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
