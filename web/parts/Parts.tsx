import { Scissors } from 'lucide-react';
import { useEffect, useState, type ReactNode } from 'react';
import { Toaster, toast } from 'sonner';
import { z } from 'zod';
import { Button } from '../ui/Button.tsx';
import { Check } from '../ui/Check.tsx';
import { ChoiceField } from '../ui/Choice.tsx';
import { DayField } from '../ui/DayField.tsx';
import { TextField } from '../ui/Field.tsx';
import { FilePick, FileProblem } from '../ui/FilePick.tsx';
import { Fold } from '../ui/Fold.tsx';
import { free, length, money, wanted } from '../ui/form/fields.ts';
import { Form, FormCheck, FormText } from '../ui/form/Form.tsx';
import { useKeptForm } from '../ui/form/useKeptForm.ts';
import { Hint } from '../ui/Hint.tsx';
import { Length, Measures } from '../ui/Length.tsx';
import { Menu, MenuCheck, MenuItem, MenuLine, MenuTitle } from '../ui/Menu.tsx';
import { OneOf } from '../ui/OneOf.tsx';
import { Question } from '../ui/Question.tsx';
import { Scroll } from '../ui/Scroll.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { SideSheet } from '../ui/SideSheet.tsx';
import { Slider } from '../ui/Slider.tsx';
import { Switch } from '../ui/Switch.tsx';
import { Table, type Column } from '../ui/Table.tsx';
import { Tabs } from '../ui/Tabs.tsx';
import { TOGGLE, Toggles } from '../ui/Toggles.tsx';

/** Every part in every state it has, to be looked at and tried; no place of the studio, and not in what is built for it. */
export function Parts() {
  const [theme, setTheme] = useState<'light' | 'dark'>('light');
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  return (
    <main className="mx-auto grid max-w-6xl gap-10 px-8 py-8">
      <header className="flex items-center gap-4">
        <h1 className="mr-auto text-[28px]">The parts</h1>
        <Toggles
          label="Light"
          value={theme}
          options={[
            ['light', 'By daylight'],
            ['dark', 'By lamplight'],
          ]}
          onPick={setTheme}
        />
      </header>
      <Buttons />
      <Fields />
      <Choices />
      <Forms />
      <Over />
      <Moved />
      <Tables />
    </main>
  );
}

function Moved() {
  const [share, setShare] = useState(0.4);
  const [on, setOn] = useState(true);
  const [tab, setTab] = useState<'front' | 'back'>('front');
  return (
    <Group title="Moved, turned and turned over">
      <Slider
        label="Share"
        value={share}
        said={`${Math.round(share * 100)} %`}
        onSlide={setShare}
        className="max-w-80"
      />
      <Switch on={on} onTurn={setOn}>
        The room is lit
      </Switch>
      <Tabs
        label="Sides"
        value={tab}
        onTurn={setTab}
        tabs={[
          { id: 'front', name: 'Front', sheet: <p className="py-3">What is seen from the front.</p> },
          { id: 'back', name: 'Back', sheet: <p className="py-3">What is seen from the back.</p> },
        ]}
      />
      <div className="flex h-40 w-72 border border-line">
        <Scroll className="grid gap-2 p-3">
          {Array.from({ length: 20 }, (_, i) => (
            <p key={i}>Line {i + 1} of twenty</p>
          ))}
        </Scroll>
      </div>
    </Group>
  );
}

function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="grid gap-4 border-t border-line pt-4">
      <h2 className="text-xl">{title}</h2>
      {children}
    </section>
  );
}

function Buttons() {
  return (
    <Group title="Buttons">
      <div className="flex flex-wrap items-center gap-3">
        <Button look="go">The main thing</Button>
        <Button>Another one</Button>
        <Button look="line" aria-pressed>
          Pressed
        </Button>
        <Button look="quiet">Quiet</Button>
        <Button look="go" unless="The pieces are not in place yet.">
          Leave it
        </Button>
        <Button look="line">
          <Scissors aria-hidden size={20} /> With a mark
        </Button>
        <Hint words="Words beside it">
          <Button look="line" className="w-11 px-0!" aria-label="Only a mark">
            <Scissors aria-hidden size={20} />
          </Button>
        </Hint>
        <button type="button" aria-pressed className={TOGGLE}>
          Stands alone
        </button>
      </div>
    </Group>
  );
}

function Fields() {
  const [day, setDay] = useState('2026-12-18');
  const [glass, setGlass] = useState('sky');
  return (
    <Group title="Fields">
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField label="Empty" placeholder="420 mm" />
        <TextField label="Filled" defaultValue="16 1/2 in" hint="any way of writing it" />
        <TextField label="Wrong" defaultValue="-3" problem="A length above 0." />
        <ChoiceField
          label="One of a list"
          value={glass}
          onChoice={setGlass}
          options={[
            { value: 'sky', text: 'S-14 sky' },
            { value: 'river', text: 'R-7 river' },
          ]}
        />
        <DayField label="A day" value={day} locale="en-GB" mayBeNone onDay={setDay} />
        <p className="self-end pb-8">
          <Length mm={38.1} unit="in" /> · <Measures widthMm={420} heightMm={640} unit="mm" />
        </p>
      </div>
      <FilePick accept="image/*" onFile={() => undefined}>
        Choose a file …
      </FilePick>
      <FileProblem words="This file is no picture that can be read; bring a JPEG or PNG." />
    </Group>
  );
}

function Choices() {
  const [isFlow, setFlow] = useState(true);
  const [left, setLeft] = useState<'stays' | 'waste'>('stays');
  const [columns, setColumns] = useState(new Set(['Area']));
  return (
    <Group title="Choices">
      <div className="flex flex-wrap items-center gap-6">
        <Check checked={isFlow} onCheck={setFlow}>
          It has a flow
        </Check>
        <OneOf
          label="What is left of it"
          value={left}
          onPick={setLeft}
          className="flex gap-2"
          options={[
            { value: 'stays', content: 'it stays' },
            { value: 'waste', content: 'nothing worth keeping' },
          ]}
        />
        <Menu button={<Button>A menu</Button>}>
          <MenuTitle>At this bench</MenuTitle>
          <MenuItem onPick={() => toast('Picked.')}>Pick this</MenuItem>
          <MenuLine />
          {['Area', 'Glass'].map((name) => (
            <MenuCheck
              key={name}
              checked={columns.has(name)}
              onCheck={(on) => setColumns(new Set(on ? [...columns, name] : [...columns].filter((c) => c !== name)))}
            >
              {name}
            </MenuCheck>
          ))}
        </Menu>
      </div>
      <Fold title="What is folded" isOpen>
        <p>is read when it is wanted.</p>
      </Fold>
    </Group>
  );
}

const SHEET = z.object({
  name: wanted('A sheet has a label.'),
  wide: length('mm', { least: 1, most: 3200 }, 'From 1 mm up.'),
  cost: money('A cost of 0 or more.'),
  note: free,
  flow: z.boolean(),
});

function Forms() {
  const form = useKeptForm('parts', SHEET, { name: '', wide: '', cost: '', note: '', flow: false });
  return (
    <Group title="Forms">
      <Form
        form={form}
        label="A sheet"
        className="grid max-w-xl gap-2"
        onSend={({ name, wide }) => {
          toast(`${name}, ${wide} mm`);
          form.forget();
        }}
      >
        <FormText name="name" label="Label" />
        <FormText name="wide" label="Wide" />
        <FormText name="cost" label="What it cost" hint="left empty: nothing" />
        <FormText name="note" label="Note" />
        <FormCheck name="flow">It has a flow</FormCheck>
        <Button look="go" type="submit">
          Send
        </Button>
      </Form>
    </Group>
  );
}

function Over() {
  const [open, setOpen] = useState<'sheet' | 'question' | null>(null);
  return (
    <Group title="Over the place">
      <div className="flex flex-wrap gap-3">
        <Button onClick={() => setOpen('sheet')}>A sheet</Button>
        <Button onClick={() => setOpen('question')}>A question</Button>
        <Button onClick={() => toast('12–18 cut from B7.')}>Short news</Button>
        <Button onClick={() => toast.error('Piece 4 is not cut yet; cut it first.')}>Bad news</Button>
      </div>
      <Sheet title="A sheet" open={open === 'sheet'} onClose={() => setOpen(null)}>
        <p>The drawing beside it stays in sight.</p>
      </Sheet>
      <Question
        title="Take the drawing back?"
        yes="Take it back"
        no="Leave it"
        open={open === 'question'}
        onYes={() => setOpen(null)}
        onNo={() => setOpen(null)}
      >
        Five pieces go with it.
      </Question>
      <div className="h-72 w-80 border border-line">
        <SideSheet
          label="Beside the panel"
          foot={
            <Button look="go" onClick={() => toast('Cut.')}>
              Cut
            </Button>
          }
        >
          {Array.from({ length: 8 }, (_, i) => (
            <p key={i}>What scrolls, line {i + 1}</p>
          ))}
        </SideSheet>
      </div>
      <Toaster position="bottom-left" />
    </Group>
  );
}

interface Row {
  readonly number: number;
  readonly glass: string;
  readonly areaMm2: number;
}
const ROWS: readonly Row[] = Array.from({ length: 900 }, (_, i) => ({
  number: i + 1,
  glass: ['S-14 sky', 'R-7 river', 'A-03 low sun'][i % 3] ?? '',
  areaMm2: ((i * 7919) % 900) * 10 + 100,
}));
const COLUMNS: readonly Column<Row>[] = [
  { id: 'number', head: 'No.', value: (r) => r.number },
  { id: 'glass', head: 'Glass', value: (r) => r.glass },
  { id: 'area', head: 'Area', value: (r) => r.areaMm2, isNumber: true },
];
const idOf = (row: Row): string => String(row.number);

function Tables() {
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set(['2']));
  return (
    <Group title="Tables">
      <div className="flex h-96 flex-col">
        <Table
          name="Nine hundred pieces"
          rows={ROWS}
          columns={COLUMNS}
          idOf={idOf}
          empty="No piece answers to that."
          picked={picked}
          onRow={(row) => setPicked(new Set([idOf(row)]))}
        />
      </div>
      <Table name="Three pieces" rows={ROWS.slice(0, 3)} columns={COLUMNS} idOf={idOf} empty="None." isPlain />
    </Group>
  );
}
