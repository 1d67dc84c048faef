import type { CartoonAnswer } from '#contract';
import { count, type DisplayUnit } from '#core/units';
import { cartoonFindingWords, cuttingFindingWords, repairWords } from '#core/words';

/** What the importer understood, repaired and could not close, and which pieces are hard to cut: in sentences. */
export function CartoonNotes({ answer, unit }: { answer: CartoonAnswer; unit: DisplayUnit }) {
  const hard = answer.cuttability.filter((c) => c.findings.length > 0).sort((a, b) => b.difficulty - a.difficulty);
  const repairs = answer.repairs.filter((r) => r.movedMm >= 0.01 || r.kind === 'doubled' || r.kind === 'sliver');
  return (
    <div className="flex flex-col gap-3 text-[15px]">
      <Notes
        title={repairs.length === 0 ? 'Nothing had to be repaired' : `${count(repairs.length, 'repair')}`}
        lines={repairs.map(repairWords)}
      />
      {answer.findings.length > 0 && (
        <Notes title="Noticed in the drawing" lines={answer.findings.map((f) => cartoonFindingWords(f, unit))} open />
      )}
      <Notes
        title={hard.length === 0 ? 'Every piece cuts steadily' : `${count(hard.length, 'piece')} to be careful with`}
        lines={hard.map((c) => `${c.number}: ${c.findings.map((f) => cuttingFindingWords(f, unit)).join(' ')}`)}
      />
    </div>
  );
}

function Notes({ title, lines, open = false }: { title: string; lines: readonly string[]; open?: boolean }) {
  const told = [...new Set(lines)];
  if (told.length === 0) return <p className="text-mute">{title}.</p>;
  return (
    <details open={open} className="border-t border-line pt-2">
      <summary className="min-h-9 cursor-pointer font-semibold">{title}</summary>
      <ul className="mt-1 grid gap-1.5">
        {told.slice(0, 60).map((line) => (
          <li key={line} className="border-l-2 border-line pl-3">
            {line}
          </li>
        ))}
      </ul>
      {told.length > 60 && <p className="mt-1 text-mute">and {told.length - 60} more</p>}
    </details>
  );
}
