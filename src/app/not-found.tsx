import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-2xl px-6 py-16">
      <h1 className="text-2xl font-bold">There is no such page</h1>
      <p className="mt-2">
        <Link className="underline underline-offset-4" href="/">
          Back to the road
        </Link>
      </p>
    </main>
  );
}
