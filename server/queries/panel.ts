import type { PanelAnswer, PanelHoursAnswer } from '#contract';
import type { Desk } from '../desk.ts';
import { photosOf } from './photos.ts';

export function panelAnswer(desk: Desk, id: string): PanelAnswer | null {
  const { state } = desk;
  const panel = state.get('panels', id);
  const commission = panel && state.get('commissions', panel.commissionId);
  if (!panel || !commission || panel.away === 'deleted') return null;
  const set = state.where('panels', 'commission_id = ? and away is null order by rowid', panel.commissionId);
  const pieces = state.where('pieces', 'panel_id = ? and drawn = 1 order by number', id);
  return {
    seq: desk.seq,
    panel,
    commission,
    sections: state.where('sections', 'panel_id = ? order by letter', id),
    steps: state.where('steps', 'panel_id = ? order by at', id),
    joints: state.where('joints', 'panel_id = ? and drawn = 1 order by number', id),
    pieces,
    choices: state.where('choices', 'panel_id = ? order by name', id),
    photos: photosOf(
      desk,
      pieces.flatMap(({ spot, backSpot }) => [spot?.rootId ?? [], backSpot?.rootId ?? []].flat()),
    ),
    set: set.filter((p) => p.id !== id).map(({ id: other, name }) => ({ id: other, name })),
  } as PanelAnswer;
}

export function panelHoursAnswer(desk: Desk, id: string): PanelHoursAnswer {
  const { state } = desk;
  return {
    seq: desk.seq,
    hours: state.where('hours', 'panel_id = ? and removed = 0 order by started_at desc', id),
    mishaps: state.where('mishaps', 'panel_id = ? order by at desc', id),
  };
}
