import type { JSX } from 'react';
import { Link, useRouteError } from 'react-router';
import { Secondary } from '../kit/controls.tsx';

export const BackToTheShelf = (): JSX.Element => (
  <Link to="/" className="inline-flex min-h-12 items-center text-blue underline">
    Back to the Shelf
  </Link>
);

export function Nowhere(): JSX.Element {
  return (
    <main className="p-6">
      <h1 className="label text-[22px] font-semibold">There is nothing at this address</h1>
      <p>
        It may have been mistyped. <BackToTheShelf />
      </p>
    </main>
  );
}

/** A view that could not be shown. What was entered is in the outbox or at the server: only the view is lost. */
export function Mishap(): JSX.Element {
  const error = useRouteError();
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
