import { useState } from 'react';
import { Link } from 'react-router';
import { drawnSize, evenOutside, outsideOf, panelInOpening } from '#core/sizing';
import { BOUNDS, isWithin } from '#core/limits';
import { lengthToMm } from '#core/units';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import type { PanelView } from '../../panel/view.ts';
import { newId } from '../../state/ids.ts';

/** The same drawing for another opening of the set: the border keeps its width, the middle takes the rest. */
export function SetMaker({ view }: { view: PanelView }) {
  const { panel, set, settings, limits } = view;
  const send = useSend();
  const [name, setName] = useState('');
  const [width, setWidth] = useState('');
  const [height, setHeight] = useState('');
  const [border, setBorder] = useState('');
  const [busy, setBusy] = useState(false);
  const [made, setMade] = useState<{ id: string; name: string } | null>(null);
  const mm = (text: string) => lengthToMm(text, settings.unit) ?? Number.NaN;
  const sound = (text: string) => isWithin(mm(text), BOUNDS.openingMm);
  const problem = (text: string) => (text === '' || sound(text) ? null : 'A length above 0.');
  const borderMm = border.trim() === '' ? 0 : mm(border);
  const isSound = name.trim() !== '' && sound(width) && sound(height) && borderMm >= 0;
  const make = async () => {
    setBusy(true);
    const opening = {
      widthMm: mm(width),
      heightMm: mm(height),
      clearanceMm: panel.opening?.clearanceMm ?? limits.fittingMm,
      coverMm: panel.opening?.coverMm ?? limits.coverMm,
    };
    const outside = panelInOpening(opening);
    // The drawing's outline is the glass edge, or the came's outside: the panel is larger by what lies outside of it.
    const beyond = view.answer ? outsideOf(view.answer.cartoon, panel.allowance) : evenOutside(panel.allowance);
    const size = drawnSize(outside, beyond);
    const id = newId();
    const wish = {
      commissionId: panel.commissionId,
      name: name.trim(),
      technique: panel.technique,
      route: panel.route.key,
      allowance: panel.allowance,
      opening,
      ...size,
    };
    const isFitted = await send.edit(id, { kind: 'fit', ...size, borderMm, from: panel.id }, undefined, wish);
    setBusy(false);
    if (!isFitted) return;
    setMade({ id, name: name.trim() });
    setName('');
    setWidth('');
    setHeight('');
  };
  return (
    <section aria-label="Set" className="grid max-w-[640px] gap-2">
      <h2 className="text-xl">Another opening of the set</h2>
      <p className="text-[15px] text-mute">
        The same drawing fitted to it. The border keeps its width all round, the middle takes the rest; the new panel
        stands in this commission with pieces of its own.
      </p>
      <form
        className="grid grid-cols-2 gap-x-3 xl:grid-cols-4"
        onSubmit={(e) => {
          e.preventDefault();
          if (isSound) void make();
        }}
      >
        <TextField label="Name" placeholder="Upper light" value={name} onChange={(e) => setName(e.target.value)} />
        <TextField
          label="Its opening wide"
          value={width}
          problem={problem(width)}
          onChange={(e) => setWidth(e.target.value)}
        />
        <TextField
          label="Its opening high"
          value={height}
          problem={problem(height)}
          onChange={(e) => setHeight(e.target.value)}
        />
        <TextField
          label="Border that stays"
          placeholder="0"
          value={border}
          problem={borderMm >= 0 ? null : 'A length, or nothing.'}
          onChange={(e) => setBorder(e.target.value)}
        />
        <Button type="submit" className="col-span-2 xl:col-span-4" disabled={!isSound || busy}>
          {busy ? 'Fitting it …' : 'Fit the drawing to it'}
        </Button>
      </form>
      {made && (
        <p role="status">
          Made:{' '}
          <Link className="underline" to={`/panels/${made.id}/cartoon`}>
            {made.name}
          </Link>
          .
        </p>
      )}
      {set.length > 0 && (
        <p className="text-[15px]">
          In this commission too:{' '}
          {set.map((p, i) => (
            <span key={p.id}>
              {i > 0 && ', '}
              <Link className="underline decoration-line underline-offset-4" to={`/panels/${p.id}/measure`}>
                {p.name}
              </Link>
            </span>
          ))}
          .
        </p>
      )}
    </section>
  );
}
