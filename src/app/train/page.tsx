import { Suspense } from "react";
import { Train } from "@/features/train/Train";

export default function Page() {
  return (
    <Suspense>
      <Train />
    </Suspense>
  );
}
