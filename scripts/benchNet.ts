import { paneNet } from '../core/test/panels.ts';
import { DEFAULT_ALLOWANCE } from '#core/sizing';

const PANE_MM = 20;
/** A sheet that all of it can be cut from, mm a side. */
const SHEET_MM = 3000;

/** A panel of panes, all cut, of so many of the demo's glasses: as many pieces as a large lamp, or a window. */
export async function addNet(
  base: string,
  { id, across, down, glasses, mixed }: { id: string; across: number; down: number; glasses: number; mixed: boolean },
): Promise<void> {
  let n = 0;
  const post = async (path: string, body: object) => {
    const facts = { commandId: `bench-${id}-${n++}`, personId: null, bench: 'felt-bench', basis: 1_000 };
    const seen = (await (await fetch(`${base}/api/studio`)).json()) as { seq: number };
    const answer = await fetch(`${base}/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...facts, basis: seen.seq, ...body }),
    });
    if (!answer.ok) throw new Error(await answer.text());
  };
  const command = (kind: string, ask: object) => post('/commands', { command: { kind, ask } });
  const count = across * down;
  const job = { id: `${id}-job`, title: `${count} panes`, client: '', due: null, note: '' };
  await command('save-commission', job);
  const size = { widthMm: across * PANE_MM, heightMm: down * PANE_MM };
  const panel = { id, commissionId: job.id, name: `Net of ${count}`, technique: 'foil', ...size };
  await command('save-panel', { ...panel, allowance: DEFAULT_ALLOWANCE.foil });
  const source = paneNet(across, down, PANE_MM, { curved: true });
  await post(`/panels/${id}/cartoon`, { sourceName: `${id}.svg`, source });
  const studio = (await (await fetch(`${base}/api/studio`)).json()) as { glasses: { id: string }[] };
  const numbers = Array.from({ length: count }, (_, i) => i + 1);
  for (const [i, glass] of studio.glasses.slice(0, glasses).entries()) {
    const own = numbers.filter((k) => k % glasses === i);
    await command('choose-glass', { panelId: id, numbers: own, glassId: glass.id });
    const label = `BENCH-${id}-${i}`;
    const sheet = { label, glassId: glass.id, kind: 'sheet', widthMm: SHEET_MM, heightMm: SHEET_MM };
    await command('receive', { ...sheet, place: '', costCents: 0 });
    const sources = [{ stockId: label, numbers: own, left: { kind: 'stays' } }];
    await command('cut', { panelId: id, sources });
  }
  // A third each is cut, ground and foiled.
  const third = (k: number) => numbers.slice(Math.floor((k * count) / 3), Math.floor(((k + 1) * count) / 3));
  if (!mixed) return;
  await command('advance', { panelId: id, numbers: [...third(1), ...third(2)], to: 'ground' });
  await command('advance', { panelId: id, numbers: third(2), to: 'foiled' });
}
