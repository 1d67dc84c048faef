import {
  stageIndex,
  type Command,
  type DrawingOrigin,
  type MarkPieces,
  type Happening,
  type Panel,
  type Piece,
  type Reader,
  pieceId,
} from '../bench/index.ts';
import { count, showArea, showMinutes, showNumbers, type DisplayUnit } from '../units/index.ts';
import { reasonWords, STAGE_WORDS, STEP_DONE, STEP_WORDS, WORK_WORDS } from './terms.ts';

const pieces = (numbers: readonly number[]) =>
  `${numbers.length === 1 ? 'piece' : 'pieces'} ${showNumbers(numbers, 10)}`;

const ORIGIN_WORDS: Readonly<Record<Exclude<DrawingOrigin, 'import'>, string>> = {
  'add-line': 'line added',
  'add-lines': 'lines added',
  'take-line': 'line taken away',
  'move-node': 'joint moved',
  scale: 'true size set',
  fit: 'fitted to its opening',
  profile: 'came or gap of lines changed',
  allowance: 'what the lines take up changed',
  renumber: 'numbered anew',
  number: 'number changed',
};

function markWords({ flowDeg, section, sectionName, locked, recheck }: MarkPieces): string {
  const words: string[] = [];
  if (flowDeg !== undefined) words.push(flowDeg === null ? 'flow any way' : `flow at ${Math.round(flowDeg)}°`);
  if (section !== undefined)
    words.push(section === null ? 'in no section' : `section ${section}${sectionName ? ` “${sectionName}”` : ''}`);
  if (locked !== undefined) words.push(locked ? 'number locked' : 'number unlocked');
  if (recheck === false) words.push('held against the new outline, fits');
  return words.join(', ');
}

/** What happened, as a line of the log: `12–18 cut from B7`. */
export function happeningWords({ kind, payload }: Happening, state: Reader): string {
  switch (kind) {
    case 'settings':
      return 'studio settings changed';
    case 'person':
      return `${payload.name} entered`;
    case 'glass':
      return `glass ${payload.code} entered`;
    case 'commission':
      return `commission “${payload.title}” entered`;
    case 'panel':
      return `panel “${payload.name}” entered`;
    case 'cartoon':
      return payload.origin === 'import'
        ? `drawing ${payload.sourceName} taken in: ${count(payload.pieceCount, 'piece')}`
        : `${ORIGIN_WORDS[payload.origin]}${payload.pieces.length > 0 && payload.pieces.length < 30 ? `: ${pieces(payload.pieces.map((p) => p.number))}` : ''}`;
    case 'give-glass':
      return `${showNumbers(payload.numbers, 10)}: ${payload.glassId === null ? 'glass taken away' : `glass ${state.get('glasses', payload.glassId)?.code ?? '?'}`}`;
    case 'mark':
      return `${showNumbers(payload.numbers, 10)}: ${markWords(payload)}`;
    case 'cut':
      return payload.takings.map((t) => `${showNumbers(t.numbers, 10)} cut from ${t.stockId}`).join(' · ');
    case 'advance':
      return `${showNumbers(payload.numbers, 10)} ${STAGE_WORDS[payload.to]}`;
    case 'step-back':
      return `${showNumbers(payload.numbers, 10)} back a stage: ${payload.reason}`;
    case 'break':
      return `${showNumbers(payload.numbers, 10)} broke: ${reasonWords(payload.reason)}${payload.recut ? `; cut again from ${payload.recut.stockId}` : ''}${payload.minutes ? `, ${showMinutes(payload.minutes)}` : ''}`;
    case 'joints':
      return `${payload.joints.length === 1 ? 'joint' : 'joints'} ${showNumbers(payload.joints, 10)} soldered on the ${payload.side}`;
    case 'step':
      return STEP_DONE[payload.step];
    case 'receive':
      return `${payload.kind} ${payload.label} put on the rack`;
    case 'move-stock':
      return `${payload.stockId} moved to ${payload.place}`;
    case 'write-off':
      return `${payload.stockId} written off: ${payload.reason}`;
    case 'clock-start':
      return `clock started: ${WORK_WORDS[payload.stage].toLowerCase()}`;
    case 'clock-stop':
      return 'clock stopped';
    case 'hours':
      return `hours entered: ${WORK_WORDS[payload.stage].toLowerCase()}, ${showMinutes((payload.endedAt - payload.startedAt) / 60_000)}`;
    case 'hours-remove':
      return 'an entry of hours taken out';
    case 'put-back':
      return payload.direction === 'undo' ? 'taken back' : 'done again';
  }
}

/** What a command would do, stated before it is done: `7 pieces: 44–49 and 52 go from cut to ground · 50 and 51 stay`. */
export function effectWords(command: Command, state: Reader, unit: DisplayUnit): string {
  switch (command.kind) {
    case 'advance': {
      const { panelId, numbers, to } = command.ask;
      const { technique } = state.get('panels', panelId) as Panel;
      const rows = numbers.map((n) => state.get('pieces', pieceId(panelId, n))).filter((p) => p !== undefined);
      const moving = rows.filter((p) => stageIndex(technique, p.stage) < stageIndex(technique, to));
      const staying = rows.filter((p) => !moving.includes(p)).map((p) => p.number);
      const from = [...new Set(moving.map((p) => STAGE_WORDS[p.stage]))].join(' or ');
      const stay = staying.length ? ` · ${showNumbers(staying, 6)} ${staying.length === 1 ? 'stays' : 'stay'}` : '';
      return `${count(moving.length, 'piece')}: ${showNumbers(
        moving.map((p) => p.number),
        8,
      )} ${moving.length === 1 ? 'goes' : 'go'} from ${from} to ${STAGE_WORDS[to]}${stay}`;
    }
    case 'cut': {
      const { panelId, sources } = command.ask;
      return sources
        .map((s) => {
          const mm2 = s.numbers.reduce(
            (sum, n) => sum + ((state.get('pieces', pieceId(panelId, n)) as Piece | undefined)?.areaMm2 ?? 0),
            0,
          );
          return `${count(s.numbers.length, 'piece')} cut from ${s.stockId}: ${showArea(mm2, unit)} of glass`;
        })
        .join(' · ');
    }
    case 'step-back':
      return `${pieces(command.ask.numbers)} back one stage: ${command.ask.reason}`;
    case 'break': {
      const { numbers, reason, recut } = command.ask;
      return `${pieces(numbers)} broke: ${reasonWords(reason)} · ${recut ? `cut again from ${recut.stockId}` : 'back to be cut'}`;
    }
    case 'give-glass': {
      const { glassId, numbers } = command.ask;
      return `${count(numbers.length, 'piece')}: ${glassId === null ? 'no glass' : `glass ${state.get('glasses', glassId)?.code ?? '?'}`}`;
    }
    case 'joints':
      return `${count(command.ask.joints.length, 'joint')} soldered on the ${command.ask.side}: ${showNumbers(command.ask.joints, 8)}`;
    case 'step':
      return `the panel: ${STEP_WORDS[command.ask.step]}`;
    default:
      return '';
  }
}
