import { ArrowLeft, ChevronLeft, ChevronRight } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { Page } from '#core/papers';
import { Button } from '../../ui/Button.tsx';
import { PageSheet } from './PageSheet.tsx';

/** Pages of a cartoon lie as they are glued together; others follow each other. A press opens one large. */
export function Pages({ pages, title, isOld }: { pages: readonly Page[]; title: string; isOld: boolean }) {
  const [open, setOpen] = useState<number | null>(null);
  const at = open === null ? null : Math.min(open, pages.length - 1);
  const most = pages.length - 1;
  useEffect(() => {
    if (at === null) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.target instanceof Element && event.target.closest('input, textarea, [role="dialog"]')) return;
      if (event.key === 'ArrowRight') setOpen(Math.min(most, at + 1));
      else if (event.key === 'ArrowLeft') setOpen(Math.max(0, at - 1));
      else if (event.key === 'Escape') setOpen(null);
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [at, most]);
  const page = at === null ? undefined : pages[at];
  if (page !== undefined && at !== null)
    return (
      <section aria-label={`${title}, ${page.name}`} className="flex h-full min-h-[420px] flex-col gap-3">
        <div className="flex flex-wrap items-center gap-3">
          {pages.length > 1 && (
            <Button look="line" onClick={() => setOpen(null)}>
              <ArrowLeft aria-hidden size={18} /> All pages
            </Button>
          )}
          <h3 className="text-[19px]">{page.name}</h3>
          <span className={`ml-auto flex gap-2 ${most === 0 ? 'hidden' : ''}`}>
            <Button
              look="line"
              aria-label="Page before"
              unless={at === 0 ? 'This is the first page.' : null}
              onClick={() => setOpen(at - 1)}
            >
              <ChevronLeft aria-hidden size={20} />
            </Button>
            <Button
              look="line"
              aria-label="Page after"
              unless={at === most ? 'This is the last page.' : null}
              onClick={() => setOpen(at + 1)}
            >
              <ChevronRight aria-hidden size={20} />
            </Button>
          </span>
        </div>
        <div className="grid min-h-0 flex-1 place-items-center [container-type:size]">
          <div
            className="shadow-[0_3px_18px_rgb(0_0_0/0.22)]"
            style={{
              aspectRatio: `${page.widthMm} / ${page.heightMm}`,
              width: `min(100cqw, 100cqh * ${page.widthMm / page.heightMm})`,
            }}
          >
            <PageSheet page={page} name={`${title}, ${page.name}`} />
          </div>
        </div>
      </section>
    );
  const across = acrossOf(pages);
  return (
    <ul
      aria-label={title}
      className={`grid pb-6 transition-opacity ${isOld ? 'opacity-50' : ''} ${across === null ? 'grid-cols-[repeat(auto-fill,minmax(220px,1fr))] gap-6' : 'mx-auto gap-2'}`}
      style={
        across === null
          ? undefined
          : { gridTemplateColumns: `repeat(${across}, minmax(0, 1fr))`, maxWidth: across * 300 }
      }
    >
      {pages.map((one, i) => (
        <li key={one.name + String(i)}>
          <button
            type="button"
            onClick={() => setOpen(i)}
            aria-label={`${one.name}, large`}
            className="block w-full overflow-hidden shadow-[0_2px_10px_rgb(0_0_0/0.16)] outline-offset-4 hover:shadow-[0_3px_18px_rgb(0_0_0/0.3)]"
            style={{ aspectRatio: `${one.widthMm} / ${one.heightMm}` }}
          >
            <PageSheet page={one} name={`${title}, ${one.name}`} />
          </button>
          {across === null && pages.length > 1 && <p className="pt-1.5 text-[14.5px] text-mute">{one.name}</p>}
        </li>
      ))}
    </ul>
  );
}

/** How many pages lie beside each other where they are one drawing, by their names: `A1`, `B1`. */
function acrossOf(pages: readonly Page[]): number | null {
  if (pages.length < 2 || !pages.every(({ name }) => /^[A-Z]+\d+$/.test(name))) return null;
  return pages.filter(({ name }) => /^[A-Z]+1$/.test(name)).length;
}
