import { LiveLine, type Heard } from '../state/liveLine.ts';

/** As much of a shared worker's world as is used here. */
interface SharedWorld {
  onconnect: ((event: MessageEvent) => void) | null;
}
const world = self as unknown as SharedWorld;

// One line to the server for all tabs of a browser: each of its own would take one of the few connections there are.
const ports = new Set<MessagePort>();
const line = new LiveLine(
  () => new EventSource('/api/live'),
  (heard) => ports.forEach((port) => port.postMessage(heard)),
);

world.onconnect = ({ ports: [port] }) => {
  if (!port) return;
  ports.add(port);
  port.onmessage = ({ data }: MessageEvent<'again' | 'bye'>) => {
    if (data === 'bye') ports.delete(port);
    else line.again();
  };
  const { latest } = line;
  if (latest) port.postMessage({ kind: 'begin', message: latest } satisfies Heard);
};
