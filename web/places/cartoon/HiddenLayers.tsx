import { Check } from '../../ui/Check.tsx';
interface HiddenLayersProps {
  readonly layers: readonly { readonly name: string; readonly shapes: number }[];
  readonly layersIn: readonly string[];
  take(layersIn: readonly string[]): void;
}

/** Layers that the drawing keeps out of sight; each can be taken in all the same. */
export function HiddenLayers({ layers, layersIn, take }: HiddenLayersProps) {
  if (layers.length === 0) return null;
  return (
    <fieldset className="text-[15px]">
      <legend className="text-mute">Layers left out</legend>
      {layers.map(({ name, shapes }) => (
        <Check
          key={name}
          checked={layersIn.includes(name)}
          onCheck={(on) => take(on ? [...layersIn, name] : layersIn.filter((n) => n !== name))}
        >
          take in “{name}” ({shapes})
        </Check>
      ))}
    </fieldset>
  );
}
