import type { GateCheck } from '../bench/index.ts';
import { count, showNumbers } from '../units/index.ts';

const MOST_CALLED = 10;

/** What is looked at before pieces get their foil or lead, or a panel its cement, in one plain sentence. */
export function gateWords({ code, numbers }: GateCheck): string {
  const are = (one: string, many: string) => (numbers.length === 1 ? one : many);
  const which = showNumbers(numbers, MOST_CALLED);
  const pieces = count(numbers.length, 'piece');
  switch (code) {
    case 'texture-side':
      return `${pieces} ${are('has', 'have')} a texture side: look which way ${which} ${are('faces', 'face')}.`;
    case 'has-a-top':
      return `${pieces} would fit upside down too, and ${are('its', 'their')} glass runs one way: mark the top of ${which}.`;
    case 'flow-unsaid':
      return `${which}: the glass has a flow, and nobody has said which way.`;
    case 'alike':
      return `${which} can be taken for another piece of another glass: lay them out and read their numbers.`;
    case 'rough-to-cement':
      return `${pieces} ${are('has', 'have')} a rough face, in which cement keeps: mask ${which}, or brush along the texture.`;
    case 'painted-to-cement':
      return `${which} ${are('is', 'are')} painted: a soft brush, and no whiting scrubbed over the paint.`;
    case 'recheck':
      return `${which}: drawn anew since ${are('it was', 'they were')} cut; hold ${are('it', 'them')} against the drawing.`;
  }
}
