"use client";

import { AllFailed } from "@/features/AllFailed";

export default function GlobalError({ error }: { error: Error }) {
  return <AllFailed reason={error.message} />;
}
