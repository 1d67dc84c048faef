import type { JobFault, UnplacedCode } from '../layout/index.ts';

/** Why a layout job is refused, in one sentence. */
export function jobFaultWords(fault: JobFault): string {
  const owner =
    'what' in fault
      ? fault.what === 'flaw'
        ? `A flaw of sheet ${fault.id}`
        : `The outline of ${fault.what} ${fault.id}`
      : '';
  switch (fault.code) {
    case 'crossing':
      return `${owner} crosses itself.`;
    case 'no-area':
      return `${owner} holds no area.`;
    case 'doubled-id':
      return `Two ${'what' in fault ? fault.what : 'piece'}s are called ${fault.id}.`;
    case 'flaw-outside':
      return `A flaw of sheet ${fault.id} lies outside it.`;
    case 'too-many':
      return `That is more than ${fault.most} at once; lay it out in several jobs.`;
  }
}

/** Why a piece lies nowhere. */
export function unplacedWords(code: UnplacedCode): string {
  switch (code) {
    case 'too-large':
      return 'larger than any sheet at its flow angle';
    case 'no-glass':
      return 'no glass is left that takes it';
  }
}
