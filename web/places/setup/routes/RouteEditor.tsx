import { closestCenter, DndContext, type DragEndEvent } from '@dnd-kit/core';
import { arrayMove, SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import type { StudioAnswer } from '#contract';
import { checkRoute, NEW_STEP, type RouteVersion, type StepDefinition } from '#core/bench';
import { stepCodeFor } from '#core/words';
import { useSend } from '../../../state/send.ts';
import { Button } from '../../../ui/Button.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useDragSensors } from '../../../ui/useDragSensors.ts';
import { StepForm } from './StepForm.tsx';
import { StepLine } from './StepLine.tsx';

/** Nelvik itself acts at these: they stay, and stay where they are. */
export const isFixed = ({ deed }: StepDefinition): boolean =>
  deed === 'begins' || deed === 'takes-glass' || deed === 'delivers';

/** A way of working in sentences: steps are dragged, said otherwise, added and taken out. Keeping it makes a new version. */
export function RouteEditor({
  studio,
  from,
  isNew,
  onClose,
}: {
  studio: StudioAnswer;
  from: RouteVersion;
  isNew: boolean;
  onClose: () => void;
}) {
  const send = useSend();
  const [name, setName] = useState(isNew ? `${from.name}, our own` : from.name);
  const [steps, setSteps] = useState<readonly StepDefinition[]>(() => stepsOf(studio, from.id));
  const [editing, setEditing] = useState<string | null>(null);
  const sensors = useDragSensors();
  const [problem] = name.trim() === '' ? ['it has no name'] : checkRoute(steps);
  const wordOf = (code: string) => steps.find((step) => step.code === code)?.word ?? code;
  const drop = ({ active, over }: DragEndEvent) => {
    const [a, b] = [active.id, over?.id].map((id) => steps.findIndex((step) => step.code === id));
    if (a === undefined || b === undefined || a < 0 || b < 0 || a === b) return;
    // The first two and the last keep their places; a step stays among those of its kind.
    const [moved, target] = [steps[a], steps[b]];
    if (!moved || !target || moved.scope !== target.scope || isFixed(target)) return;
    setSteps(arrayMove([...steps], a, b));
  };
  const add = (scope: StepDefinition['scope']) => {
    const code = stepCodeFor('new step', new Set(steps.map((step) => step.code)));
    const step: StepDefinition = { ...NEW_STEP, code, scope, look: scope === 'piece' ? 'glass' : 'unchanged' };
    const end = scope === 'piece' ? steps.findIndex((one) => one.scope === 'panel') - 1 : steps.length - 1;
    setSteps([...steps.slice(0, end), step, ...steps.slice(end)]);
    setEditing(code);
  };
  const take = (code: string) =>
    setSteps(
      steps
        .filter((step) => step.code !== code)
        .map((step) => ({ ...step, needs: step.needs.filter((need) => need !== code) })),
    );
  const keep = async () => {
    const { technique } = from;
    const taken = new Set(studio.routes.map((route) => route.key));
    const key = isNew ? stepCodeFor(name, taken) : from.key;
    if (await send.command({ kind: 'save-route', ask: { key, name: name.trim(), technique, steps } }, 'Kept.'))
      onClose();
  };
  const list = (scope: StepDefinition['scope'], title: string) => {
    const own = steps.filter((step) => step.scope === scope);
    return (
      <section aria-label={title} className="grid gap-1">
        <h3 className="text-[17px]">{title}</h3>
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
          <SortableContext items={own.map((step) => step.code)} strategy={verticalListSortingStrategy}>
            <ol className="grid">
              {own.map((step) => (
                <StepLine
                  key={step.code}
                  step={step}
                  wordOf={wordOf}
                  isFixed={isFixed(step)}
                  isOpen={editing === step.code}
                  onOpen={() => setEditing(editing === step.code ? null : step.code)}
                >
                  <StepForm
                    step={step}
                    before={steps.slice(0, steps.indexOf(step)).filter((one) => one.scope === 'panel')}
                    onChange={(next) => {
                      setSteps(steps.map((one) => (one.code === step.code ? next : one)));
                      setEditing(null);
                    }}
                    onTake={
                      isFixed(step)
                        ? null
                        : () => {
                            take(step.code);
                            setEditing(null);
                          }
                    }
                  />
                </StepLine>
              ))}
            </ol>
          </SortableContext>
        </DndContext>
        <Button look="line" className="justify-self-start" onClick={() => add(scope)}>
          <Plus aria-hidden size={18} /> Another step
        </Button>
      </section>
    );
  };
  return (
    <Sheet title={isNew ? 'A way of your own' : from.name} open onClose={onClose}>
      <p className="text-[15px] text-mute">
        Panels under way keep the version they have, unless they are moved over at the job. What has happened stays as
        it was.
      </p>
      <TextField label="Name" value={name} onChange={(event) => setName(event.target.value)} />
      {list('piece', 'Each piece')}
      {list('panel', 'Then the whole')}
      <div className="sticky -bottom-6 -mx-6 -mb-6 border-t border-line bg-sheet px-6 py-3">
        <Button
          look="go"
          unless={problem === undefined ? null : `This is no way to build a panel: ${problem}.`}
          onClick={() => void keep()}
        >
          Keep
        </Button>
        {problem !== undefined && <p className="pt-1.5 text-[15px] text-risk">Not yet: {problem}.</p>}
      </div>
    </Sheet>
  );
}

function stepsOf(studio: StudioAnswer, routeId: string): StepDefinition[] {
  const own = studio.routeSteps.filter((step) => step.routeId === routeId);
  own.sort((a, b) => a.place - b.place);
  return own.map(({ id: _, rev: __, routeId: ___, place: ____, ...step }) => step);
}
