import { useState, type DragEvent } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { SideSheet } from '../../ui/SideSheet.tsx';
import { Split } from '../../panel/Split.tsx';
import { usePanelView } from '../../panel/usePanelView.ts';
import { CartoonSheet } from './CartoonSheet.tsx';
import { ImportPanel } from './ImportPanel.tsx';
import { LightDesk } from './LightDesk.tsx';
import { TrueSize } from './TrueSize.tsx';
import { useImport } from './useImport.ts';
import type { Preview } from './usePreview.ts';

/** The drawing: brought in and accepted when it is right, then changed lightly in place. */
export function CartoonStep() {
  const view = usePanelView();
  const { panel, settings, answer } = view;
  const drawing = useImport(view);
  const { preview } = drawing;
  const [over, setOver] = useState(false);
  const [spot, setSpot] = useState<readonly [number, number] | null>(null);
  const navigate = useNavigate();
  const isFirst = panel.cartoonId === null;
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    setSpot(null);
    void drawing.take(event.dataTransfer.files[0]);
  };
  const leave = () => {
    setSpot(null);
    drawing.leave();
  };
  const accept = async () => {
    if (!(await drawing.accept())) return;
    leave();
    if (isFirst) void navigate(`/panels/${panel.id}/glass`);
  };
  const choose = (
    <label className="inline-flex min-h-12 cursor-pointer items-center justify-center rounded-md border border-dashed border-strong px-4 font-semibold focus-within:outline-3 focus-within:outline-copper hover:border-copper">
      {isFirst && preview.kind === 'none' ? 'Choose a drawing …' : 'Another drawing …'}
      <input
        type="file"
        accept=".svg,.svgz,.dxf,image/svg+xml,image/vnd.dxf"
        className="sr-only"
        onChange={(e) => {
          setSpot(null);
          void drawing.take(e.target.files?.[0]);
          e.target.value = '';
        }}
        data-testid="drawing-file"
      />
    </label>
  );
  /** For whoever has no drawing at hand yet. */
  const practise = async () => {
    const answer = await fetch('/first-panel.svg');
    void drawing.take(new File([await answer.blob()], 'practice panel.svg', { type: 'image/svg+xml' }));
  };
  const isOfSize = preview.kind === 'problem' && preview.size === true;
  const side =
    preview.kind === 'ready' ? (
      <ImportPanel
        view={view}
        preview={preview}
        options={drawing.options}
        change={drawing.change}
        show={setSpot}
        accept={() => void accept()}
        leave={leave}
        another={choose}
        busy={drawing.busy}
      />
    ) : (
      <SideSheet label="The drawing" foot={isOfSize && <Button onClick={leave}>Leave it</Button>}>
        {isOfSize && (
          <TrueSize
            panel={panel}
            unit={settings.unit}
            options={drawing.options}
            change={drawing.change}
            why={preview.words}
            size={null}
          />
        )}
        {choose}
      </SideSheet>
    );
  return (
    <div
      className={`flex min-h-0 flex-1 flex-col ${over ? 'shadow-[inset_0_0_0_4px_var(--copper)]' : ''}`}
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      {preview.kind === 'none' && answer ? (
        <LightDesk view={view} answer={answer} another={choose} key={panel.id} />
      ) : (
        <Split id="cartoon" side={side}>
          <main className="flex min-h-0 flex-1 flex-col">
            {preview.kind === 'ready' ? (
              <CartoonSheet answer={preview.answer} unit={settings.unit} spot={spot} />
            ) : (
              <Waiting preview={preview} stop={leave} {...(isFirst ? { practise: () => void practise() } : {})} />
            )}
          </main>
        </Split>
      )}
    </div>
  );
}

function Waiting({
  preview,
  stop,
  practise,
}: {
  preview: Exclude<Preview, { kind: 'ready' }>;
  stop: () => void;
  /** Takes a small drawing of ours, where there is none yet. */
  practise?: () => void;
}) {
  return (
    <div className="grid flex-1 place-content-center gap-4 p-10 text-center">
      {preview.kind === 'reading' ? (
        <>
          <p role="status" className="text-xl">
            Reading the drawing …
          </p>
          <progress className="h-3 w-80 accent-copper" max={1} value={preview.share} aria-label="How much is read" />
          <Button className="mx-auto" onClick={stop}>
            Stop
          </Button>
        </>
      ) : preview.kind === 'problem' && preview.size ? (
        <>
          <h2 className="text-3xl">Not that size</h2>
          <p className="mx-auto max-w-lg text-[17px] text-mute" role="alert">
            The drawing is kept as it is; say beside it how large the panel really is, and it is read again.
          </p>
        </>
      ) : (
        <>
          <h2 className="text-3xl">{preview.kind === 'problem' ? 'Not taken in' : 'Drop the drawing here'}</h2>
          <p className="mx-auto max-w-lg text-[17px] text-mute" role={preview.kind === 'problem' ? 'alert' : undefined}>
            {preview.kind === 'problem'
              ? preview.words
              : 'An SVG or DXF from any vector editor: one line between every two pieces. Every closed region becomes a numbered piece; nothing is saved before you say so.'}
          </p>
          {preview.kind === 'problem' && (
            <Button className="mx-auto" onClick={stop}>
              Leave it
            </Button>
          )}
          {preview.kind === 'none' && practise && (
            <Button look="quiet" className="mx-auto" onClick={practise}>
              No drawing at hand? Take a small one to practise on
            </Button>
          )}
        </>
      )}
    </div>
  );
}
