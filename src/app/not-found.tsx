import Link from "next/link";

export default function NotFound() {
  return (
    <>
      <h1>There is no such page</h1>
      <p>
        Nothing was lost. <Link href="/">Go to today</Link>.
      </p>
    </>
  );
}
