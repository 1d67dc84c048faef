import { isKeyOf } from '#core/units';

/** What a place is for and how it is worked, in a few sentences. */
export interface Help {
  readonly title: string;
  readonly lines: readonly string[];
}

export const HELP = {
  today: {
    title: 'Today',
    lines: [
      'Every panel in hand stands on the ledge, to one scale, as it is at this moment. The next due comes first.',
      'Under each panel stands what comes next. A tap on the panel leads to its bench.',
      'Clocks that run, waits that end today and glass that runs short are told at the side.',
    ],
  },
  jobs: {
    title: 'Jobs',
    lines: [
      'A job is what somebody ordered: one panel or a set. Those in hand come first, by the day they are due.',
      'Beside each stands what has gone into it so far: hours at their rates and glass at its price.',
      'Delivered ones follow, and those that you have archived.',
    ],
  },
  job: {
    title: 'A job',
    lines: [
      'Its panels stand here side by side as they are. The three dots beside a name duplicate, archive or delete it, or change its name and, as long as no glass is cut, its size.',
      'What is deleted comes back from Setup for thirty days.',
    ],
  },
  rack: {
    title: 'The rack',
    lines: [
      'Each glass has its slot; sheets and offcuts stand in it to one scale. The pale part of a sheet is cut away already.',
      'A tap on a sheet opens its ledger: what came, what was cut from it, what is left, to the square millimetre.',
      'Receive enters one sheet or several at once. What was entered wrongly is corrected at the sheet.',
    ],
  },
  supplies: {
    title: 'Supplies',
    lines: [
      'Everything used up beside glass stands here as full as it is: rolls, cames, spools, bottles and tins.',
      'What goes into panels comes off by itself as their work is done. A tap opens a card: book what came or was used, count it, or lay it on the scale.',
      'Lists with prices come in and go out as CSV.',
    ],
  },
  reckoning: {
    title: 'Reckoning',
    lines: [
      'What the studio learns of a month or a year: where the hours go, what breaks and why, what each job took.',
      'The table sorts by a tap on a heading and goes out as CSV.',
    ],
  },
  setup: {
    title: 'Setup',
    lines: [
      'Name, units, money, and the people with their hourly rates.',
      'Limits say what your hand and your grinder can do; every drawing is judged by them.',
      'What was deleted can be brought back, and the whole studio is copied and put back here.',
    ],
  },
  measure: {
    title: 'Measure',
    lines: [
      'How large the opening is, what goes round the panel, what its lines take up. The section shows each millimetre by name.',
      'The panel finishes as large as it is said here: where it is too large, the side, the amount and a cure are named.',
    ],
  },
  cartoon: {
    title: 'Cartoon',
    lines: [
      'A drawing is dropped in and becomes sound pieces: lines that nearly meet are joined, and each repair is shown before it counts.',
      'Hatched pieces are hard to cut, and the notes say why. A proposed line cures what cannot be cut at all.',
      'Lines are added, taken away and moved in place; the point that your finger would catch is shown before you lift it.',
    ],
  },
  glass: {
    title: 'Glass',
    lines: [
      'Pick pieces by tapping or with the lasso, then tap the glass they are to be of. A double tap takes all of one glass.',
      'Lit shows the panel as it will hang before a window.',
      'Where a piece is of two glasses, pressed or plated, they are 12a and 12b: choose the one, then the other.',
    ],
  },
  materials: {
    title: 'Materials',
    lines: [
      'What the panel takes of foil or came, of solder and all that stands in bottles and tins, worked out from its own lines.',
      'Beside each stands what is on the shelf and how much to buy. What is worked up leaves the shelf by itself; weigh a spool before and after, and the studio learns its own figure.',
    ],
  },
  bench: {
    title: 'The bench',
    lines: [
      'The panel shows each piece as what it is: paper, cut glass, a frosted edge from the grinder, foil, lead.',
      'Tap pieces and press what was done, or type it below: 12-18 31 cut, all but 3 ground, rest foiled. What would happen is told before Enter.',
      'A piece that broke keeps its number and goes back to be cut; what it cost is kept. Of two glasses one may break: 12b broke.',
      'Order goes through the panel piece by piece: what is laid next, which came goes on it or what is tacked, what holds it square.',
    ],
  },
  finish: {
    title: 'Finish',
    lines: [
      'Both sides, joint by joint: a tap near a joint ticks it. The last open ones have an arrow.',
      'Then the steps of the whole panel in their order, with the wait each one wants. Deliver tells what is still open.',
    ],
  },
  hours: {
    title: 'Hours & cost',
    lines: [
      'Hours by stage, from the clock or entered by hand, at the rate they were worked at.',
      'What broke stands beside them, with the glass and the time it cost.',
    ],
  },
  papers: {
    title: 'Papers',
    lines: [
      'Every paper of the panel as it will be printed: the cartoon and the patterns at true size, the sheets to cut, the leading plan, lists, labels, a card for the client.',
      'A press on a page opens it large. Pages of a cartoon lie as they are glued together; the dashed lines tell where.',
      'Print at actual size, and measure the bar of 100 mm at the foot before anything is cut.',
    ],
  },
} as const satisfies Readonly<Record<string, Help>>;

export type HelpPlace = keyof typeof HELP;

/** The place that an address is at. */
export function placeAt(pathname: string): HelpPlace {
  const [, place = '', id, step = 'bench'] = pathname.split('/');
  if (place === 'panels') return isKeyOf(HELP, step) ? step : 'bench';
  if (place === 'jobs') return id ? 'job' : 'jobs';
  if (place === 'rack' && id === 'supplies') return 'supplies';
  return isKeyOf(HELP, place) ? place : 'today';
}
