import { useState } from 'react';
import type { CartoonAnswer } from '#contract';
import type { Point } from '#core/geometry';
import { outsideOfOutline, readProfile, USUAL_PROFILES } from '#core/sizing';
import { lengthToMm, showLength, showNumbers } from '#core/units';
import { cuttingFindingWords } from '#core/words';
import { ScorePicture } from '../../../panel/ScorePicture.tsx';
import { useSelection } from '../../../state/selection.ts';
import { useSend } from '../../../state/send.ts';
import { Button } from '../../../ui/Button.tsx';
import { ChoiceField, TextField } from '../../../ui/Field.tsx';
import type { PanelView } from '../panelView.ts';
import { tooLargePieces } from '../tooLarge.ts';
import { isInHand } from './ChangeList.tsx';
import { CartoonNotes } from './CartoonNotes.tsx';
import type { Desk } from './useDesk.ts';

interface Props {
  readonly view: PanelView;
  readonly answer: CartoonAnswer;
  readonly desk: Desk;
  readonly selected: ReadonlySet<number>;
}

/** What belongs to the mode in hand. */
export function ModePanel(props: Props) {
  switch (props.desk.mode) {
    case 'look':
      return <Look {...props} />;
    case 'add-line':
    case 'move-node':
      return props.desk.taps.length > 0 || props.desk.node !== null ? (
        <Button onClick={props.desk.clear}>Begin again</Button>
      ) : null;
    case 'take-line':
      return <TakeLine {...props} />;
    case 'profile':
      return <Profile {...props} />;
    case 'flow':
      return <Flow {...props} />;
    case 'sections':
      return <Sections {...props} />;
    case 'numbers':
      return <Numbers {...props} />;
    case 'size':
      return <Size {...props} />;
  }
}

function Look({ view, answer, desk, selected }: Props) {
  const { panel, pieces, settings } = view;
  const send = useSend();
  const number = selected.size === 1 ? [...selected][0] : undefined;
  const judged = answer.cuttability.find((c) => c.number === number);
  const cut = answer.cuts.find((c) => c.number === number);
  const hasGlass = pieces.some((p) => p.number === number && isInHand(p));
  const rechecks = pieces.filter((p) => p.recheck).map((p) => p.number);
  const more = 2 * outsideOfOutline(panel.allowance);
  return (
    <>
      {rechecks.length > 0 && (
        <section className="grid gap-2 border-l-4 border-risk pl-3">
          <p>
            Cut to an older outline: <b>{showNumbers(rechecks)}</b>. Hold {rechecks.length === 1 ? 'it' : 'them'}{' '}
            against the drawing.
          </p>
          <Button
            onClick={() =>
              void send.command({ kind: 'mark', ask: { panelId: panel.id, numbers: rechecks, recheck: false } })
            }
          >
            {rechecks.length === 1 ? 'It fits' : 'They fit'}
          </Button>
        </section>
      )}
      {judged && cut && number !== undefined && (
        <section aria-label={`Piece ${number}`} className="grid gap-2">
          <h3 className="text-[18px] font-semibold">
            Piece {number} · difficulty {judged.difficulty} of 5
          </h3>
          {judged.findings.map((f, i) => (
            <p key={i} className="border-l-2 border-line pl-3 text-[15px]">
              {cuttingFindingWords(f, settings.unit)}
            </p>
          ))}
          {desk.proposal.length > 0 && hasGlass && (
            <p className="text-[15px] text-mute">
              A line would cure it, but its glass is cut already; it can be added once the piece is to be cut again.
            </p>
          )}
          {desk.proposal.length > 0 && !hasGlass && (
            <Button
              look="go"
              disabled={desk.busy}
              onClick={() =>
                void desk.edit(
                  { kind: 'add-lines', lines: desk.proposal.map((l) => l.map(([x, y]): [number, number] => [x, y])) },
                  `Piece ${number} divided.`,
                )
              }
            >
              Add the {desk.proposal.length === 1 ? 'line' : 'lines'} shown
            </Button>
          )}
          <ScorePicture rings={cut.rings} number={number} />
        </section>
      )}
      <CartoonNotes
        answer={answer}
        unit={settings.unit}
        size={{ widthMm: panel.widthMm + more, heightMm: panel.heightMm + more }}
        tooLarge={tooLargePieces(view, answer)}
        show={(at, n) => {
          if (n !== undefined) useSelection.getState().choose(panel.id, [n]);
          desk.look(at);
        }}
      />
    </>
  );
}

function TakeLine({ answer, desk }: Props) {
  const [line] = desk.lines;
  if (line === undefined) return null;
  const sides = answer.cartoon.pieces.filter((p) => p.rings.flat().some((ref) => ref === line || ref === ~line));
  const [a, b] = sides;
  if (!a || !b) return <p className="text-[15px] text-risk">This line is the edge of the panel; it stays.</p>;
  return (
    <Button
      look="go"
      disabled={desk.busy}
      onClick={() => void desk.edit({ kind: 'take-line', line }, 'Line taken away.')}
    >
      Join {a.number} and {b.number}
    </Button>
  );
}

function profileName(code: string): string {
  const profile = readProfile(code);
  if (!profile) return code;
  return profile.kind === 'foil' ? `foil, gap ${profile.gapMm} mm` : `${profile.kind} came, face ${profile.faceMm} mm`;
}

function Profile({ view, desk }: Props) {
  const { technique } = view.panel;
  const usual = USUAL_PROFILES[technique];
  const [code, setCode] = useState('');
  const lines = [...desk.lines];
  const own = code === 'own';
  const [typed, setTyped] = useState('');
  const wanted = own ? typed.trim() : code;
  const problem = own && typed !== '' && !readProfile(typed) ? 'Such as h7, u10 or f1.' : null;
  return (
    <div className="grid gap-2">
      <p>{lines.length === 0 ? 'No line picked yet.' : `${lines.length} picked.`}</p>
      <ChoiceField
        label="They take up"
        value={code}
        onChange={(e) => setCode(e.target.value)}
        options={[
          { value: '', text: 'what the panel’s lines do' },
          ...usual.map((value) => ({ value, text: profileName(value) })),
          { value: 'own', text: 'another profile …' },
        ]}
      />
      {own && (
        <TextField
          label="Its code"
          hint="h, u or f and the millimetres"
          value={typed}
          problem={problem}
          onChange={(e) => setTyped(e.target.value)}
        />
      )}
      <Button
        look="go"
        disabled={lines.length === 0 || desk.busy || (own && !readProfile(typed))}
        onClick={() =>
          void desk.edit({ kind: 'profile', lines, profile: wanted === '' ? null : wanted }, 'Lines changed.')
        }
      >
        Give it to {lines.length === 1 ? 'this line' : 'these lines'}
      </Button>
    </div>
  );
}

function Flow({ view, selected }: Props) {
  const send = useSend();
  const numbers = [...selected];
  const withFlow = view.pieces
    .filter((p) => selected.has(p.number) && (p.flowDeg ?? null) !== null)
    .map((p) => p.number);
  return (
    <div className="grid gap-2">
      <p>
        {numbers.length === 0
          ? 'No pieces picked: the arrow is for the piece it begins in.'
          : `Picked: ${showNumbers(numbers)}.`}
      </p>
      <div className="grid grid-cols-4 gap-2">
        {[0, 45, 90, 135].map((deg) => (
          <Button
            key={deg}
            look="line"
            className="px-0"
            disabled={numbers.length === 0}
            aria-label={`Flow at ${deg} degrees`}
            onClick={() => void send.command({ kind: 'mark', ask: { panelId: view.panel.id, numbers, flowDeg: deg } })}
          >
            <svg aria-hidden width="30" height="30" viewBox="-15 -15 30 30">
              <path
                d="M-11 0H9M4 -5L10 0L4 5"
                transform={`rotate(${deg})`}
                fill="none"
                stroke="currentColor"
                strokeWidth="2"
              />
            </svg>
          </Button>
        ))}
      </div>
      <Button
        disabled={withFlow.length === 0}
        onClick={() =>
          void send.command({ kind: 'mark', ask: { panelId: view.panel.id, numbers: withFlow, flowDeg: null } })
        }
      >
        Any way will do
      </Button>
    </div>
  );
}

function Sections({ view, selected }: Props) {
  const { panel, pieces } = view;
  const send = useSend();
  const known = panel.sections ?? {};
  const [letter, setLetter] = useState('A');
  const [name, setName] = useState<string | null>(null);
  const numbers = [...selected];
  const used = [...new Set(pieces.flatMap((p) => (p.section ? [p.section] : [])))].sort();
  const give = (section: string | null) =>
    void send.command({
      kind: 'mark',
      ask: {
        panelId: panel.id,
        numbers,
        section,
        ...(section !== null && (name ?? known[section]) ? { sectionName: (name ?? known[section]) as string } : {}),
      },
    });
  return (
    <div className="grid gap-2">
      <p>{numbers.length === 0 ? 'No pieces picked yet.' : `Picked: ${showNumbers(numbers)}.`}</p>
      <div className="grid grid-cols-[90px_1fr] gap-2">
        <ChoiceField
          label="Letter"
          value={letter}
          onChange={(e) => {
            setLetter(e.target.value);
            setName(null);
          }}
          options={[...'ABCDEFGHJKLMNPRSTUVWXYZ'].map((l) => ({ value: l, text: l }))}
        />
        <TextField
          label="Name"
          placeholder="sky"
          value={name ?? known[letter] ?? ''}
          onChange={(e) => setName(e.target.value)}
        />
      </div>
      <Button look="go" disabled={numbers.length === 0} onClick={() => give(letter)}>
        Put them into section {letter}
      </Button>
      <Button disabled={!pieces.some((p) => selected.has(p.number) && p.section)} onClick={() => give(null)}>
        Out of their section
      </Button>
      <ul className="grid gap-1 text-[15px]">
        {used.map((section) => (
          <li key={section}>
            <button
              type="button"
              className="min-h-9 text-left underline decoration-line underline-offset-4"
              onClick={() =>
                useSelection.getState().choose(
                  panel.id,
                  pieces.filter((p) => p.section === section).map((p) => p.number),
                )
              }
            >
              <b>{section}</b> {known[section]}:{' '}
              {showNumbers(
                pieces.filter((p) => p.section === section).map((p) => p.number),
                8,
              )}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Numbers({ view, desk, selected }: Props) {
  const { panel, pieces } = view;
  const send = useSend();
  const [to, setTo] = useState('');
  const numbers = [...selected];
  const [one] = numbers;
  const locked = pieces.filter((p) => selected.has(p.number) && p.locked).map((p) => p.number);
  const open = numbers.filter((n) => !locked.includes(n));
  const target = /^\d{1,5}$/.test(to.trim()) ? Number(to) : 0;
  return (
    <div className="grid gap-3">
      <div className="grid gap-2">
        {(
          [
            ['rows', 'In rows from the top'],
            ['outwards', 'Outwards from the middle'],
            ['sections', 'Section by section'],
          ] as const
        ).map(([order, words]) => (
          <Button
            key={order}
            look="line"
            disabled={desk.busy}
            onClick={() => void desk.edit({ kind: 'renumber', order }, 'Numbered anew.')}
          >
            {words}
          </Button>
        ))}
      </div>
      {numbers.length === 1 && one !== undefined && (
        <form
          className="grid grid-cols-[1fr_auto] items-end gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            if (target > 0)
              void desk
                .edit({ kind: 'number', from: one, to: target }, `${one} is ${target} now.`)
                .then(() => setTo(''));
          }}
        >
          <TextField
            label={`Piece ${one} becomes`}
            inputMode="numeric"
            value={to}
            onChange={(e) => setTo(e.target.value)}
          />
          <Button type="submit" className="mb-5" disabled={target < 1 || desk.busy}>
            Change
          </Button>
        </form>
      )}
      <div className="grid grid-cols-2 gap-2">
        <Button
          disabled={open.length === 0}
          onClick={() => void send.command({ kind: 'mark', ask: { panelId: panel.id, numbers: open, locked: true } })}
        >
          Lock {open.length > 0 && showNumbers(open, 3)}
        </Button>
        <Button
          disabled={locked.length === 0}
          onClick={() =>
            void send.command({ kind: 'mark', ask: { panelId: panel.id, numbers: locked, locked: false } })
          }
        >
          Unlock {locked.length > 0 && showNumbers(locked, 3)}
        </Button>
      </div>
      <p className="text-[15px] text-mute">Locked numbers are underlined.</p>
    </div>
  );
}

function Size({ view, desk }: Props) {
  const { settings, pieces } = view;
  const [typed, setTyped] = useState('');
  const [a, b] = desk.taps as readonly (Point | undefined)[];
  const begun = pieces.some(isInHand);
  if (begun) return <p className="text-[15px] text-risk">Glass is cut to this size already, so the size stays.</p>;
  if (!a || !b) return null;
  const drawn = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const real = lengthToMm(typed, settings.unit);
  const isSound = real !== null && real > 0 && drawn > 0.5 && real / drawn < 1000;
  return (
    <form
      className="grid gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (isSound) void desk.edit({ kind: 'scale', factor: (real as number) / drawn }, 'True size set.');
      }}
    >
      <p>
        Drawn as <b>{showLength(drawn, settings.unit, 1)}</b>.
      </p>
      <TextField
        label="It is really"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        problem={typed !== '' && !isSound ? 'A length above 0, such as 420 mm or 16 1/2 in.' : null}
      />
      <Button look="go" type="submit" disabled={!isSound || desk.busy}>
        Set the size
      </Button>
    </form>
  );
}
