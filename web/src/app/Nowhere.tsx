import type { JSX } from 'react';
import { Link } from 'react-router';

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
