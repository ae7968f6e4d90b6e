import { Lifts } from "@/features/lifts/Lifts";
import { Suspense } from "react";

export default function Page() {
  return (
    <Suspense>
      <Lifts />
    </Suspense>
  );
}
