import { Train } from "@/features/train/Train";
import { Suspense } from "react";

export default function Page() {
  return (
    <Suspense>
      <Train />
    </Suspense>
  );
}
