import { Component, type JSX, type ReactNode } from 'react';
import { Secondary } from '../kit/controls.tsx';
import { BackToTheShelf } from './Nowhere.tsx';

interface Props {
  /** where it is: elsewhere it is tried anew */
  readonly at: string;
  readonly children: ReactNode;
}

/** One view that fails takes no other with it. */
export class WhereItFails extends Component<Props, { readonly failed: { readonly error: unknown } | null }> {
  override state: { readonly failed: { readonly error: unknown } | null } = { failed: null };

  static getDerivedStateFromError(error: unknown): { failed: { error: unknown } } {
    return { failed: { error } };
  }

  override componentDidUpdate(before: Props): void {
    if (this.state.failed && before.at !== this.props.at) this.setState({ failed: null });
  }

  override render(): ReactNode {
    return this.state.failed ? <Mishap error={this.state.failed.error} /> : this.props.children;
  }
}

/** A view that could not be shown. What was entered is in the outbox or at the server: only the view is lost. */
function Mishap({ error }: { error: unknown }): JSX.Element {
  const away = error instanceof TypeError && /import|module|fetch/i.test(error.message);
  return (
    <main className="p-6">
      <h1 className="label text-[22px] font-semibold">{away ? 'The server is away' : 'This view has come apart'}</h1>
      <p>
        {away ? 'This view could not be fetched from it.' : 'That is a fault in Elder Cog.'} Nothing you entered is lost: it is kept, and sent when
        the server answers.
      </p>
      {!away && error instanceof Error && <p className="num text-[16px] text-ink2">{error.message}</p>}
      <p className="flex flex-wrap items-center gap-4">
        <Secondary onClick={() => window.location.reload()}>Try again</Secondary>
        <BackToTheShelf />
      </p>
    </main>
  );
}
