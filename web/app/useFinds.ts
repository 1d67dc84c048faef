import { textureWords } from '#core/words';
import { useLocation, useNavigate } from 'react-router';
import { useBench } from '../state/bench.ts';
import { useSelection } from '../state/selection.ts';
import { usePanel, useRack, useStudio, useToday } from '../state/studio.ts';

/** Something that can be gone to or done by its name. */
export interface Find {
  readonly key: string;
  readonly words: string;
  /** More that it is known by, or what tells it from others. */
  readonly more: string;
  readonly colour?: string;
  go(): void;
}
export interface Finds {
  readonly title: string;
  readonly finds: readonly Find[];
}

const STEPS: readonly [string, string, string][] = [
  ['measure', 'Measure', 'opening, border, came'],
  ['cartoon', 'Cartoon', 'the drawing'],
  ['glass', 'Glass', 'which glass for which piece'],
  ['layout', 'Layout', 'where each piece lies on which sheet'],
  ['materials', 'Materials', 'foil, came, solder: how much, what to buy'],
  ['bench', 'Bench', 'cut, ground, foiled, in place'],
  ['finish', 'Finish', 'joints, cement, patina, delivery'],
  ['hours', 'Hours & cost', 'clock, recuts, price'],
  ['papers', 'Papers', 'cartoon, patterns, lists, care card'],
];

/** All that Ctrl K finds: this panel first, then what is in hand, then the studio. */
export function useFinds(): Finds[] {
  const { pathname } = useLocation();
  const navigate = useNavigate();
  const { data: studio } = useStudio();
  const { data: today } = useToday();
  const { data: rack } = useRack();
  const { theme, setTheme, sitDown } = useBench();
  const [, place, panelId] = pathname.split('/');
  const panel = usePanel(place === 'panels' ? panelId : undefined).data;
  const to = (path: string) => () => void navigate(path);
  const find = (key: string, words: string, more: string, go: () => void, colour?: string): Find => ({
    key,
    words,
    more,
    go,
    ...(colour ? { colour } : {}),
  });
  const glassOf = new Map((studio?.glasses ?? []).map((g) => [g.id, g]));
  const here: Finds[] = panel
    ? [
        {
          title: panel.panel.name,
          finds: STEPS.map(([step, name, more]) =>
            find(`step-${step}`, name, more, to(`/panels/${panel.panel.id}/${step}`)),
          ),
        },
        {
          title: 'Pieces',
          finds: panel.pieces.map((p) => {
            const glass = p.glassId === null ? undefined : glassOf.get(p.glassId);
            return find(
              `piece-${p.number}`,
              `Piece ${p.number}`,
              glass ? `${glass.code} ${glass.name}` : 'no glass',
              () => {
                useSelection.getState().choose(panel.panel.id, [p.number]);
                void navigate(`/panels/${panel.panel.id}/bench`);
              },
              glass?.colour,
            );
          }),
        },
      ]
    : [];
  return [
    ...here,
    {
      title: 'Jobs in hand',
      finds: (today?.jobs ?? []).flatMap(({ commission, panels }) => [
        find(`job-${commission.id}`, commission.title, commission.client, to(`/jobs/${commission.id}`)),
        ...panels
          .filter(({ panel: p }) => p.name !== commission.title)
          .map(({ panel: p }) => find(`panel-${p.id}`, p.name, commission.title, to(`/panels/${p.id}/bench`))),
      ]),
    },
    {
      title: 'Do',
      finds: [
        find('do-job', 'New job', 'enter what was ordered', to('/jobs?new=1')),
        find('do-receive', 'Receive glass', 'sheets onto the rack', to('/rack?receive=1')),
        find('do-glass', 'New glass', 'a glass that the studio has not had', to('/rack?glass=1')),
        find('do-theme', theme === 'dark' ? 'By daylight' : 'By lamplight', 'light or dark', () =>
          setTheme(theme === 'dark' ? 'light' : 'dark'),
        ),
      ],
    },
    {
      title: 'Glasses',
      finds: (studio?.glasses ?? [])
        .filter((g) => g.away === null)
        .map((g) =>
          find(
            `glass-${g.id}`,
            `${g.code} ${g.name}`,
            textureWords(g.texture),
            to(`/rack?find=${encodeURIComponent(g.code)}`),
            g.colour,
          ),
        ),
    },
    {
      title: 'Sheets and offcuts',
      finds: (rack?.stock ?? []).map((s) => {
        const glass = glassOf.get(s.glassId);
        return find(
          `stock-${s.id}`,
          `${s.kind === 'offcut' ? 'Offcut' : 'Sheet'} ${s.id}`,
          [glass && `${glass.code} ${glass.name}`, s.place].filter(Boolean).join(', '),
          to(`/rack?item=${encodeURIComponent(s.id)}`),
          glass?.colour,
        );
      }),
    },
    {
      title: 'People',
      finds: (studio?.people ?? [])
        .filter((p) => p.active && p.away === null)
        .map((p) => find(`person-${p.id}`, p.name, 'works at this bench now', () => sitDown(p.id))),
    },
    {
      title: 'Places',
      finds: [
        find('place-today', 'Today', 'the sill', to('/')),
        find('place-jobs', 'Jobs', 'all of them', to('/jobs')),
        find('place-rack', 'Rack', 'sheets and offcuts', to('/rack')),
        find('place-reckoning', 'Reckoning', 'months, hours, breakage', to('/reckoning')),
        find('place-setup', 'Setup', 'people, units, limits, copies', to('/setup')),
      ],
    },
  ];
}
