import { Component, type ReactNode } from 'react';
import { forgetFailures } from './part.tsx';
import { Trouble } from './Trouble.tsx';

interface Props {
  readonly children: ReactNode;
  /** A new place begins without the old one's failure. */
  readonly place?: string;
  /** What to show instead; the usual words where nothing is given. */
  readonly instead?: (error: Error, again: () => void) => ReactNode;
}

/** Around a part of the screen: where it fails, that part says so and can be tried again, and all others stay. */
export class Boundary extends Component<Props, { readonly error: Error | undefined; readonly place: string | undefined }> {
  override state = { error: undefined as Error | undefined, place: this.props.place };

  static getDerivedStateFromError(error: unknown): { error: Error } {
    return { error: error instanceof Error ? error : new Error(String(error)) };
  }

  static getDerivedStateFromProps(props: Props, state: { place: string | undefined }): { error: undefined; place: string | undefined } | null {
    return props.place === state.place ? null : { error: undefined, place: props.place };
  }

  private tried = false;

  private readonly again = (): void => {
    this.tried = true;
    forgetFailures();
    this.setState({ error: undefined });
  };

  /** Some browsers remember for as long as the page stands that a module was not to be had, as the HTML standard lets them: then the page begins anew, once it is. */
  override componentDidCatch(error: unknown): void {
    const module = /dynamically imported module:? (\S+)/i.exec(error instanceof Error ? error.message : '')?.[1];
    if (!this.tried || module === undefined || !URL.canParse(module) || new URL(module).origin !== window.location.origin) return;
    this.tried = false;
    void fetch(module, { cache: 'no-store' }).then(
      ({ ok }) => ok && window.location.reload(),
      () => undefined,
    );
  }

  override render(): ReactNode {
    const { error } = this.state;
    if (!error) return this.props.children;
    return this.props.instead ? this.props.instead(error, this.again) : <Trouble error={error} again={this.again} />;
  }
}
