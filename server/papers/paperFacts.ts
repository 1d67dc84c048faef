import {
  backGlassOf,
  glassBehind,
  glassLabel,
  glassStillToCut,
  hasBack,
  laidOn,
  ownGlass,
  routeOf,
  settingsOf,
  workWord,
  type PieceRow,
  type Route,
  type StockRow,
} from '#core/bench';
import { USUAL_FINISH } from '#core/finish';
import { isHex, type NeedLine, type PaperGlass } from '#core/papers';
import { isRough, shapeLeft, type Glass } from '#core/stock';
import { showArea, showMoney } from '#core/units';
import { textureWords } from '#core/words';
import type { Desk } from '../desk.ts';
import type { Drawings } from '../drawings.ts';
import type { Shelf } from '../shelf.ts';
import type { LyingPiece, PaperFacts } from './paperWork.ts';

/** What the papers of a panel are made from; null where it has no drawing, or is not there. */
export async function paperFacts(
  desk: Desk,
  drawings: Drawings,
  shelf: Shelf,
  panelId: string,
  base: string,
): Promise<PaperFacts | null> {
  const { state, store } = desk;
  const panel = state.get('panels', panelId);
  const commission = panel && state.get('commissions', panel.commissionId);
  if (!panel || !commission || panel.away === 'deleted' || panel.cartoonId === null) return null;
  const reading = store.drawings.packed(panel.cartoonId);
  const own = await drawings.study(panel.cartoonId, 'packed');
  if (reading === null || own === null) return null;
  const code = `${base}/panels/${encodeURIComponent(panelId)}/bench`;
  const settings = settingsOf(state);
  const { unit, locale } = settings;
  const pieces = state.where('pieces', 'panel_id = ? and drawn = 1 order by number', panelId);
  const glasses = new Map(
    [...new Set(pieces.flatMap((piece) => [piece.glassId ?? [], piece.backGlassId ?? []].flat()))].flatMap((id) => {
      const glass = state.get('glasses', id);
      return glass ? [[id, glass] as const] : [];
    }),
  );
  const studies: Uint8Array[] = [own];
  const placeOf = new Map([[panelId, 0]]);
  const sheets: PaperFacts['sheets'][number][] = [];
  for (const item of laidOut(desk, pieces)) {
    const glass = state.get('glasses', item.glassId);
    if (!glass || item.breaks === null) continue;
    const lying: LyingPiece[] = [];
    for (const { piece, spot, ...one } of laidOn(state, item.id)) {
      const { number, panelId: of } = piece;
      const owner = state.get('panels', of);
      if (!owner) continue;
      if (!placeOf.has(of)) {
        const study = owner.cartoonId === null ? null : await drawings.study(owner.cartoonId, 'packed');
        if (study === null) continue;
        placeOf.set(of, studies.push(study) - 1);
      }
      const place = placeOf.get(of) ?? 0;
      const label = glassLabel(routeOf(state, owner), { piece, ...one });
      const name = of === panelId ? label : `${owner.name} ${label}`;
      lying.push({ name, number, study: place, spot });
    }
    const { outline } = shapeLeft(item);
    sheets.push({ label: item.id, glass: paperGlass(glass), outline, breaks: item.breaks, lying });
  }
  const route = routeOf(state, panel);
  const toCut = glassStillToCut(route, pieces);
  const { name, technique, widthMm, heightMm, allowance, opening } = panel;
  const { id: _, rev: __, panelId: ___, ...finish } = state.get('finishes', panelId) ?? { ...NO_ROW, ...USUAL_FINISH };
  return {
    name,
    job: commission.title,
    client: commission.client,
    due: commission.due === null ? '' : `for ${dayWords(commission.due, locale)}`,
    ...{ technique, widthMm, heightMm, allowance, opening, finish, unit, reading, studies, sheets },
    through: state.get('leadMarks', panelId)?.through ?? {},
    laid: (state.get('leadMarks', panelId)?.laid ?? []).flatMap((id) => state.get('pieces', id)?.number ?? []),
    currency: settings.currency,
    locale,
    ...(await shelf.forPanel(panel)),
    pieces: pieces.map((piece) => {
      const { number, section, flowDeg } = piece;
      const glassOf = (glassId: string | null): PaperGlass | null => {
        const glass = glasses.get(glassId ?? '');
        return glass ? paperGlass(glass) : null;
      };
      const back = hasBack(route, piece) ? { back: glassOf(backGlassOf(piece)) } : {};
      return { number, section, flowDeg, glass: glassOf(piece.glassId), ...back };
    }),
    needs: [...glasses.values()]
      .sort((a, b) => a.code.localeCompare(b.code, 'en', { numeric: true }))
      .map((glass) => needOf(desk, glass, toCut.get(glass.id) ?? 0, settings)),
    code,
    clocks: clocksOf(route, code),
  };
}

const NO_ROW = { id: '', rev: 0, panelId: '' };
const dayWords = (day: string, locale: string): string =>
  new Intl.DateTimeFormat(locale, { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(`${day}T12:00:00Z`));

/** Sheets that a panel is laid out on, as far as it is not cut. */
function laidOut({ state }: Desk, pieces: readonly PieceRow[]): StockRow[] {
  const ids = new Set(
    pieces.flatMap((piece) => [ownGlass(piece), glassBehind(piece)].flatMap(({ spot }) => spot?.stockId ?? [])),
  );
  return [...ids].sort().flatMap((id) => state.get('stock', id) ?? []);
}

/** The kinds of work of a way of working, each with the address that starts its clock; and the one that stops it. */
function clocksOf({ pieceSteps, panelSteps }: Route, code: string): PaperFacts['clocks'] {
  const works = [...new Set([...pieceSteps, ...panelSteps].map(({ work }) => work))].filter(
    (work) => work !== 'other' && work !== 'design',
  );
  return [
    ...works.map((work) => ({ word: workWord(work), code: `${code}?clock=${work}` })),
    { word: 'Stop', code: `${code}?clock=stop` },
  ];
}

const paperGlass = ({ code, name, colour, texture, thicknessMm, flow }: Glass): PaperGlass => ({
  code,
  name,
  colour: isHex(colour) ? colour : '#ffffff',
  texture: isRough(texture) ? textureWords(texture) : null,
  thicknessMm,
  hasFlow: flow,
});

function needOf(
  { state }: Desk,
  glass: Glass,
  needMm2: number,
  { unit, currency, locale }: ReturnType<typeof settingsOf>,
): NeedLine {
  const hasMm2 = [...state.ask('stockOfGlass', glass.id)].reduce((sum, { areaMm2 }) => sum + areaMm2, 0);
  const buyMm2 = Math.max(0, needMm2 - hasMm2);
  const cents = Math.round((buyMm2 / 1e6) * glass.priceCentsPerM2);
  return {
    what: `${glass.code} ${glass.name}`,
    needs: needMm2 === 0 ? 'all cut' : showArea(needMm2, unit),
    has: showArea(hasMm2, unit),
    buy: buyMm2 > 0 ? showArea(buyMm2, unit) : '',
    cost: buyMm2 > 0 ? showMoney(cents, currency, locale) : '',
  };
}
