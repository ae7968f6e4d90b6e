import { Suspense } from "react";
import { Write } from "@/features/lifts/Write";

export default function Page() {
  return (
    <Suspense>
      <Write />
    </Suspense>
  );
}
