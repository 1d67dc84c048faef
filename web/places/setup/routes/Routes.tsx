import { useState } from 'react';
import type { RouteVersion } from '#core/bench';
import { count } from '#core/units';
import { TECHNIQUE_WORDS } from '#core/words';
import { newestRoutes, useStudio } from '../../../state/studio.ts';
import { Button } from '../../../ui/Button.tsx';
import { RouteEditor } from './RouteEditor.tsx';

/** The ways of working that the studio knows: shipped ones, changed ones, its own. */
export function Routes() {
  const { data } = useStudio();
  const [open, setOpen] = useState<{ readonly from: RouteVersion; readonly isNew: boolean } | null>(null);
  if (!data) return null;
  const steps = (id: string, scope: 'piece' | 'panel') =>
    data.routeSteps.filter((step) => step.routeId === id && step.scope === scope).length;
  return (
    <section aria-label="Ways of working" className="lg:col-span-2">
      <h2 className="mb-2 text-xl">Ways of working</h2>
      <ul className="grid gap-x-14 lg:grid-cols-2">
        {newestRoutes(data).map((route) => (
          <li key={route.id} className="flex min-h-14 items-center gap-3 border-t border-line">
            <span className="min-w-0 flex-1">
              {route.name}
              <span className="block text-[14.5px] text-mute">
                {TECHNIQUE_WORDS[route.technique]}, {count(steps(route.id, 'piece'), 'step')} of a piece and{' '}
                {steps(route.id, 'panel')} of the whole
                {route.version > 1 && `, version ${route.version}`}
              </span>
            </span>
            <Button
              look="quiet"
              className="px-1"
              aria-label={`Change ${route.name}`}
              onClick={() => setOpen({ from: route, isNew: false })}
            >
              Change
            </Button>
            <Button
              look="quiet"
              className="px-1"
              aria-label={`Another like ${route.name}`}
              onClick={() => setOpen({ from: route, isNew: true })}
            >
              Another like it
            </Button>
          </li>
        ))}
      </ul>
      {open && (
        <RouteEditor
          key={`${open.from.id} ${open.isNew}`}
          studio={data}
          from={open.from}
          isNew={open.isNew}
          onClose={() => setOpen(null)}
        />
      )}
    </section>
  );
}
