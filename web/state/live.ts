import { LiveLine, type Heard } from './liveLine.ts';

interface Line {
  again(): void;
  close(): void;
}

/** This tab's end of the browser's one line to the server; a line of its own where tabs cannot share. */
function joined(hear: (heard: Heard) => void): Line {
  if (typeof SharedWorker === 'undefined') return new LiveLine(() => new EventSource('/api/live'), hear);
  const { port } = new SharedWorker(new URL('../worker/live.worker.ts', import.meta.url), {
    type: 'module',
    name: 'nelvik-live',
  });
  port.onmessage = ({ data }: MessageEvent<Heard>) => hear(data);
  const leave = () => port.postMessage('bye');
  window.addEventListener('pagehide', leave);
  return {
    again: () => port.postMessage('again'),
    close: () => {
      window.removeEventListener('pagehide', leave);
      leave();
      port.close();
    },
  };
}

let line: Line | null = null;

/** Listens until what is returned is called. */
export function listen(hear: (heard: Heard) => void): () => void {
  const mine = joined(hear);
  line = mine;
  return () => {
    mine.close();
    if (line === mine) line = null;
  };
}

/** Somebody has come in: a line that was turned away is tried at once. */
export const listenAgain = (): void => line?.again();
