import { Sheet } from '../ui/Sheet.tsx';
import { keysAt } from './keys.ts';

/** The keys of the place that is open. */
export function KeysHere({ pathname, onClose }: { pathname: string; onClose: () => void }) {
  return (
    <Sheet title="Keys" open onClose={onClose}>
      {keysAt(pathname).map(({ title, keys }) => (
        <section key={title}>
          <h3 className="mb-1 text-[17px]">{title}</h3>
          <dl className="grid grid-cols-[minmax(110px,auto)_1fr] gap-x-4">
            {keys.map(([key, does]) => (
              <div key={key} className="col-span-2 grid grid-cols-subgrid border-t border-line py-2">
                <dt>
                  <kbd className="rounded border border-line bg-soft px-2 py-0.5 font-sans text-[14px] font-semibold">
                    {key}
                  </kbd>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </Sheet>
  );
}
