import { Columns3, Copy, Download } from 'lucide-react';
import { unparse } from 'papaparse';
import type { ReactNode } from 'react';
import { toast } from 'sonner';
import { Button } from './Button.tsx';
import { BOX } from './Field.tsx';
import { Hint } from './Hint.tsx';
import { Menu, MenuCheck } from './Menu.tsx';

interface TableToolsProps {
  readonly name: string;
  readonly search: string;
  onSearch(words: string): void;
  readonly columns: readonly { id: string; head: string; isShown: boolean; show(on: boolean): void }[];
  /** The rows in sight, as text, their heads first. */
  cells(): string[][];
  readonly children: ReactNode;
}

const TOOL = 'w-11 px-0!';

/** What can be done with a table: search it, choose its columns, copy it, save it. */
export function TableTools({ name, search, onSearch, columns, cells, children }: TableToolsProps) {
  const copy = async () => {
    const rows = cells();
    try {
      await navigator.clipboard.writeText(unparse(rows, { delimiter: '\t' }));
      toast(`${rows.length - 1} rows copied.`);
    } catch {
      toast.error('This browser does not let pages copy; save the file instead.');
    }
  };
  return (
    <div className="flex flex-wrap items-center gap-2 pr-3 pb-2 print:hidden">
      <input
        className={`${BOX} max-w-44`}
        aria-label={`Find in ${name}`}
        value={search}
        onChange={(event) => onSearch(event.target.value)}
        placeholder="Find"
      />
      {children}
      <span className="ml-auto flex gap-1.5">
        <Menu
          className="min-w-48"
          button={
            <Button look="line" className={TOOL} aria-label="Choose columns" title="Choose columns">
              <Columns3 aria-hidden size={19} />
            </Button>
          }
        >
          {columns.map(({ id, head, isShown, show }) => (
            <MenuCheck key={id} checked={isShown} onCheck={show}>
              {head}
            </MenuCheck>
          ))}
        </Menu>
        <Hint words="Copy what is in sight">
          <Button look="line" className={TOOL} aria-label="Copy the table" onClick={() => void copy()}>
            <Copy aria-hidden size={19} />
          </Button>
        </Hint>
        <Hint words="Save what is in sight as CSV">
          <Button look="line" className={TOOL} aria-label="Save as CSV" onClick={() => save(name, unparse(cells()))}>
            <Download aria-hidden size={19} />
          </Button>
        </Hint>
      </span>
    </div>
  );
}

/** Hands a file to the browser to be saved; the mark at its head tells spreadsheets how it is written. */
function save(name: string, text: string): void {
  const url = URL.createObjectURL(new Blob(['\uFEFF', text], { type: 'text/csv;charset=utf-8' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = `${name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.csv`;
  link.click();
  URL.revokeObjectURL(url);
}
