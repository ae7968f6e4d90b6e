import { Suspense } from "react";
import { Lifts } from "@/features/lifts/Lifts";

export default function Page() {
  return (
    <Suspense>
      <Lifts />
    </Suspense>
  );
}
