import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { StudioAnswer } from '#contract';

/** An empty studio says what to do first. */
export function FirstSteps({ data }: { data: StudioAnswer }) {
  const steps: readonly [boolean, string, ReactNode][] = [
    [
      data.settings !== null,
      '/setup',
      <>
        Name the studio and choose <b>inches or millimetres</b> under Setup.
      </>,
    ],
    [
      data.people.some((p) => p.away === null),
      '/setup',
      <>
        Enter <b>who works here</b>, with an hourly rate.
      </>,
    ],
    [
      data.glasses.some((g) => g.away === null),
      '/rack',
      <>
        Enter the <b>glasses</b> on your rack, and the sheets you have of them.
      </>,
    ],
    [
      false,
      '/jobs?new=1',
      <>
        Enter the <b>first job</b>, and drop its drawing in.
      </>,
    ],
  ];
  const next = steps.findIndex(([done]) => !done);
  return (
    <main className="mx-auto grid min-h-full max-w-2xl content-center gap-6 p-10">
      <h1 className="text-4xl">An empty bench</h1>
      <p className="text-[18px] text-mute">
        Nelvik follows every piece of a panel from the drawing to the last soldered joint. Four things first:
      </p>
      <ol className="grid gap-1">
        {steps.map(([done, to, words], i) => (
          <li key={i}>
            <Link
              to={to}
              className="flex min-h-16 items-center gap-5 border-t border-line py-3 text-[18px] hover:bg-soft"
            >
              <span
                className={`grid size-9 shrink-0 place-items-center rounded-full font-head ${i === next ? 'bg-copper text-white' : 'bg-soft text-mute'}`}
              >
                {i + 1}
              </span>
              <span className={done ? 'text-mute line-through decoration-1' : ''}>{words}</span>
            </Link>
          </li>
        ))}
      </ol>
      <p className="text-mute">
        To look round a studio at work instead, stop this one and start <code>npm run demo</code>; its data is kept
        apart.
      </p>
    </main>
  );
}
