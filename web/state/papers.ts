import { keepPreviousData, skipToken, useQuery } from '@tanstack/react-query';
import type { PaperKind, PaperOptions } from '#core/papers';
import { api } from './api.ts';

export interface PaperWish extends PaperOptions {
  readonly kind: PaperKind;
}

const flag = (is: boolean): string => (is ? '1' : '0');

function paperPath(
  panelId: string,
  { kind, paper, isMirrored, isColoured, isByGlass }: PaperWish,
  as: '' | '/pdf' | '/csv',
): string {
  const query = new URLSearchParams({
    paper,
    mirrored: flag(isMirrored),
    coloured: flag(isColoured),
    byGlass: flag(isByGlass),
  });
  return `/panels/${encodeURIComponent(panelId)}/papers/${kind}${as}?${query}`;
}

/** Where a paper is fetched as a PDF. */
export const paperFile = (panelId: string, wish: PaperWish): string => `/api${paperPath(panelId, wish, '/pdf')}`;
/** Where a paper is fetched as a table. */
export const tableFile = (panelId: string, wish: PaperWish): string => `/api${paperPath(panelId, wish, '/csv')}`;
/** Where the cut outlines are fetched as a file. */
export const outlineFile = (
  panelId: string,
  format: 'svg' | 'dxf',
  kerfMm: number,
  arranged: 'panel' | 'rows',
): string =>
  `/api/panels/${encodeURIComponent(panelId)}/outlines/${format}?${new URLSearchParams({ kerf: String(kerfMm), arranged })}`;

/** The pages of a paper; while others are drawn, those before stay on the screen. */
export const usePaper = (panelId: string, wish: PaperWish | null) =>
  useQuery({
    queryKey: ['paper', panelId, wish],
    queryFn: wish === null ? skipToken : ({ signal }) => api.pages(paperPath(panelId, wish, ''), signal),
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: 0,
  });
