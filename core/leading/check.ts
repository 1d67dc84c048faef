import { pointAt } from '../units/index.ts';
import type { Faces } from './ends.ts';
import type { LeadLine, LeadPlan, LeadRun } from './types.ts';

const MOST_TURN_DEG = 35;
const DEG = Math.PI / 180;

/**
 * What a plan promises, looked at by other means than those that made it: every line in one run, runs that bend no more
 * than a came does, ends that meet, pieces and cames that can be laid in this order.
 * @returns sentences naming what does not hold; empty when all is well
 */
export function checkLead(plan: LeadPlan, faces: Faces): string[] {
  return [
    ...checkRuns(plan),
    ...checkEnds(plan, faces),
    ...checkSteps(plan),
    ...checkSides(plan),
    ...checkFreedom(plan),
  ];
}

const at = <T>(list: readonly T[], i: number): T => list[i] as T;
const lineOf = (ref: number): number => (ref < 0 ? ~ref : ref);

/** Where a line begins and ends when walked as its reference says, and its headings there, out of the joint. */
function walked(lines: readonly LeadLine[], ref: number) {
  const line = at(lines, lineOf(ref));
  const ends = ref < 0 ? ([1, 0] as const) : ([0, 1] as const);
  const joints = [line.from, line.to] as const;
  return {
    start: joints[ends[0]],
    stop: joints[ends[1]],
    startsBy: line.headings[ends[0]],
    stopsBy: line.headings[ends[1]],
    left: ref < 0 ? line.right : line.left,
    right: ref < 0 ? line.left : line.right,
  };
}
const between = (a: number, b: number): number => {
  const rad = Math.abs(a - b) % (2 * Math.PI);
  return rad > Math.PI ? 2 * Math.PI - rad : rad;
};

function checkRuns({ lines, runs }: LeadPlan): string[] {
  const wrong: string[] = [];
  const used = new Map<number, number>();
  const passing = new Map<number, number>();
  const passes = (run: number, joint: number | null) => {
    if (joint === null) return;
    if (passing.has(joint)) wrong.push(`two runs pass joint ${joint}`);
    passing.set(joint, run);
  };
  runs.forEach((run, i) => {
    for (const ref of run.lines) {
      if (used.has(lineOf(ref))) wrong.push(`line ${lineOf(ref)} is in two runs`);
      used.set(lineOf(ref), i);
      if (at(lines, lineOf(ref)).isBorder !== run.isBorder) wrong.push(`run ${i} is of border and inner lines`);
    }
    run.lines.forEach((ref, k) => {
      const next = run.lines[k + 1] ?? (run.ends[0].kind === 'closed' ? run.lines[0] : undefined);
      if (next === undefined) return;
      const [here, there] = [walked(lines, ref), walked(lines, next)];
      if (here.stop !== there.start) wrong.push(`run ${i} does not hang together`);
      passes(i, here.stop);
      if (here.stop !== null && Math.PI - between(here.stopsBy, there.startsBy) > MOST_TURN_DEG * DEG + 1e-3)
        wrong.push(`run ${i} turns too sharply at joint ${here.stop}`);
    });
  });
  lines.forEach((_, i) => {
    if (!used.has(i)) wrong.push(`line ${i} is in no run`);
  });
  return wrong;
}

function checkEnds({ joints, lines, runs }: LeadPlan, faces: Faces): string[] {
  const wrong: string[] = [];
  const endsAt = new Map<number, { run: number; end: LeadRun['ends'][number]; heading: number }[]>();
  const passing = new Map<number, number>();
  runs.forEach((run, i) => {
    const [first, last] = [walked(lines, at(run.lines, 0)), walked(lines, at(run.lines, run.lines.length - 1))];
    const isClosed = run.ends[0].kind === 'closed';
    if (isClosed !== (run.ends[1].kind === 'closed')) wrong.push(`run ${i} is closed at one end alone`);
    run.lines.slice(0, -1).forEach((ref) => {
      const joint = walked(lines, ref).stop;
      if (joint !== null) passing.set(joint, i);
    });
    if (isClosed) {
      if (first.start !== null) passing.set(first.start, i);
      return;
    }
    for (const [end, joint, heading] of [
      [run.ends[0], first.start, first.startsBy],
      [run.ends[1], last.stop, last.stopsBy],
    ] as const) {
      if (joint === null || end.joint !== joint) wrong.push(`an end of run ${i} names another joint`);
      else endsAt.set(joint, [...(endsAt.get(joint) ?? []), { run: i, end, heading }]);
    }
  });
  joints.forEach((_, joint) => {
    const ends = endsAt.get(joint) ?? [];
    const through = passing.get(joint);
    if (through !== undefined) {
      for (const { run, end } of ends)
        if (end.kind !== 'butt' || end.against !== through) wrong.push(`run ${run} does not butt at joint ${joint}`);
    } else {
      if (ends.filter(({ end }) => end.kind === 'open').length > 1) wrong.push(`two open ends at joint ${joint}`);
      if (ends.length > 0 && ends.every(({ end }) => end.kind === 'butt')) wrong.push(`all butt at joint ${joint}`);
      for (const { run, end } of ends) {
        const met = ends.filter((other) => other.run === end.against && other.end !== end);
        if (end.kind === 'mitre' && !met.some((other) => other.end.kind === 'mitre'))
          wrong.push(`run ${run} is mitred against nothing at joint ${joint}`);
        if (end.kind === 'over' && !met.some((other) => other.end.kind === 'butt'))
          wrong.push(`run ${run} reaches across nothing at joint ${joint}`);
        if (end.kind === 'butt' && !met.some((other) => other.end.kind !== 'butt'))
          wrong.push(`run ${run} butts against a butt at joint ${joint}`);
      }
    }
  });
  runs.forEach((run, i) => {
    const drawn = run.lines.reduce((sum, ref) => sum + at(lines, lineOf(ref)).lengthMm, 0);
    const trims = run.ends.reduce((sum, { kind, against, angleDeg }) => {
      if ((kind !== 'butt' && kind !== 'over') || against === null) return sum;
      const face = at(runs, against).isBorder ? faces.borderMm : faces.innerMm;
      return sum + ((kind === 'over' ? -1 : 1) * face) / 2 / Math.sin(Math.max(15, angleDeg ?? 90) * DEG);
    }, 0);
    if (Math.abs(run.lengthMm - Math.max(0, drawn - trims)) > 1e-6) wrong.push(`run ${i} is of another length`);
  });
  return wrong;
}

function checkSteps({ lines, runs, order }: LeadPlan): string[] {
  const wrong: string[] = [];
  const pieces = new Set(lines.flatMap(({ left, right }) => [left, right]).filter((p) => p !== null));
  const laid = order.flatMap(({ piece }) => (piece === null ? [] : [piece]));
  if (laid.length !== new Set(laid).size || laid.length !== pieces.size) wrong.push('not every piece is laid once');
  const placed = order.flatMap((step) => step.runs);
  if (placed.length !== runs.length || new Set(placed).size !== runs.length) wrong.push('not every run is laid once');
  order.forEach(({ piece, runs: list }) => {
    for (const run of list)
      if (at(runs, run).isBorder !== (piece === null)) wrong.push(`run ${run} is laid out of turn`);
  });
  return wrong;
}

/** All pieces of one side of a run are there when it is laid, and none of the other. */
function checkSides({ lines, runs, order }: LeadPlan): string[] {
  const wrong: string[] = [];
  const stepOf = new Map(order.flatMap(({ piece }, step) => (piece === null ? [] : [[piece, step] as const])));
  order.forEach(({ runs: list }, step) => {
    for (const i of list) {
      const run = at(runs, i);
      if (run.isBorder) continue;
      const when = (side: 'left' | 'right') =>
        run.lines.map((ref) => stepOf.get(walked(lines, ref)[side] ?? -1) ?? Number.NaN);
      const [left, right] = [when('left'), when('right')];
      const isAfter = (steps: readonly number[]) => steps.every((s) => s <= step);
      const isBefore = (steps: readonly number[]) => steps.every((s) => s > step);
      const ends = [walked(lines, at(run.lines, 0)).start, walked(lines, at(run.lines, run.lines.length - 1)).stop];
      if (ends[0] === ends[1]) {
        if (!isAfter(insideOf(lines, run) === 'right' ? right : left)) wrong.push(`loop ${i} is laid too early`);
      } else if (!(isAfter(left) && isBefore(right)) && !(isAfter(right) && isBefore(left)))
        wrong.push(`run ${i} is laid between pieces of both sides`);
    }
  });
  return wrong;
}

function insideOf(lines: readonly LeadLine[], run: LeadRun): 'left' | 'right' {
  const ring = run.lines.flatMap((ref) => {
    const { path } = at(lines, lineOf(ref));
    return ref < 0 ? [...path].reverse() : [...path];
  });
  const twice = ring.reduce((sum, [x, y], i) => {
    const [nx, ny] = pointAt(ring, (i + 1) % ring.length);
    return sum + x * ny - nx * y;
  }, 0);
  return twice > 0 ? 'right' : 'left';
}

/** Each piece that is not locked can be slid in: looked for direction by direction. */
function checkFreedom({ lines, runs, order, locked }: LeadPlan): string[] {
  const wrong: string[] = [];
  const exempt = new Set(locked.flatMap(({ pieces }) => pieces));
  const first = new Set(at(order, 0).runs.flatMap((run) => at(runs, run).lines.map(lineOf)));
  const there = new Set<number>();
  for (const { piece } of order) {
    if (piece === null) continue;
    const touches: { nx: number; ny: number; mm: number }[] = [];
    lines.forEach((line, i) => {
      if (line.lengthMm < 2 || line.left === line.right) return;
      const other = line.left === piece ? line.right : line.right === piece ? line.left : undefined;
      if (other === undefined || (other === null ? !first.has(i) : !there.has(other))) return;
      const side = line.right === piece ? 1 : -1;
      for (let k = 0; k + 1 < line.path.length; k++) {
        const [[ax, ay], [bx, by]] = [pointAt(line.path, k), pointAt(line.path, k + 1)];
        const mm = Math.hypot(bx - ax, by - ay);
        if (mm > 0) touches.push({ nx: (side * (ay - by)) / mm, ny: (side * (bx - ax)) / mm, mm });
      }
    });
    const total = touches.reduce((sum, { mm }) => sum + mm, 0);
    const slant = -Math.sin(8 * DEG) - 1e-9;
    let best = total === 0 ? 1 : 0;
    for (let deg = 0; deg < 360 && best < 0.97; deg += 0.25) {
      const [dx, dy] = [Math.cos(deg * DEG), Math.sin(deg * DEG)];
      const open = touches.reduce((sum, { nx, ny, mm }) => (dx * nx + dy * ny >= slant ? sum + mm : sum), 0);
      best = Math.max(best, open / total);
    }
    if (best < 0.97 && !exempt.has(piece)) wrong.push(`piece ${piece} can not be slid in`);
    if (exempt.has(piece) && best >= 0.975) wrong.push(`piece ${piece} is called locked, and slides in`);
    there.add(piece);
  }
  return wrong;
}
