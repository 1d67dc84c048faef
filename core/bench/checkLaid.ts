import { contains } from '../geometry/index.ts';
import { shapeLeft } from '../stock/index.ts';
import { glassBehind, ownGlass } from './acts/laid.ts';
import { routeOf, wantsBack } from './routes/route.ts';
import type { Reader, Tables } from './tables.ts';

/** What of a panel is said to lie where it cannot be cut from: empty when nothing is. */
export function checkLaid(state: Reader, panel: Tables['panels']): string[] {
  const route = routeOf(state, panel);
  return [...state.ask('piecesOfPanel', panel.id)].flatMap((piece) =>
    [ownGlass(piece), glassBehind(piece)].flatMap(({ id, of, glassId, spot }) => {
      if (spot === null) return [];
      const item = state.get('stock', spot.stockId);
      const wrong = (how: string) => [`${id} is laid out on ${spot.stockId}, ${how}`];
      if (!item || item.gone !== null) return wrong('which is gone');
      if (item.glassId !== glassId) return wrong('which is of another glass');
      if (item.rootId !== spot.rootId || !contains(shapeLeft(item).outline, spot.at))
        return wrong('and lies beside it');
      return of === 'back' && !wantsBack(route, piece) ? wrong('and is not to be cut') : [];
    }),
  );
}
