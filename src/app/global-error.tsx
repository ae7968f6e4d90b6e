"use client";

import { AllFailed } from "@/app/AllFailed";

export default function GlobalError({ error }: { error: Error }) {
  return <AllFailed reason={error.message} />;
}
