import { Component, type ErrorInfo, type ReactNode } from 'react';
import { Button } from '../ui/Button.tsx';

interface Props {
  /** Another place, and the boundary is whole again. */
  readonly place: string;
  readonly children: ReactNode;
}

/**
 * Where a place fails to draw itself: the frame round it stays, what is typed in other places is kept, and the user is
 * told in plain words. What was on its way to the server is not touched by it.
 */
export class Mishap extends Component<Props, { readonly broken: string | null; readonly at: string }> {
  override state = { broken: null, at: this.props.place };

  static getDerivedStateFromError(error: unknown) {
    return { broken: error instanceof Error ? error.message : String(error) };
  }

  static getDerivedStateFromProps({ place }: Props, state: { at: string }) {
    return place === state.at ? null : { broken: null, at: place };
  }

  override componentDidCatch(error: unknown, info: ErrorInfo): void {
    console.error(error, info.componentStack);
  }

  override render(): ReactNode {
    if (this.state.broken === null) return this.props.children;
    return (
      <main className="grid max-w-prose gap-3 p-10" role="alert">
        <h1 className="text-2xl">This place could not be drawn</h1>
        <p>
          Nothing in the studio was changed, and what you have entered elsewhere is kept. Try it again; if it stays so,
          another place on the left still works.
        </p>
        <p className="text-mute">{this.state.broken}</p>
        <div>
          <Button look="go" onClick={() => this.setState({ broken: null })}>
            Try again
          </Button>
        </div>
      </main>
    );
  }
}
