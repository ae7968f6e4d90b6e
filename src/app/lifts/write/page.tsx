import { Write } from "@/features/lifts/Write";
import { Suspense } from "react";

export default function Page() {
  return (
    <Suspense>
      <Write />
    </Suspense>
  );
}
