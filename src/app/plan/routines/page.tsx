import { Routines } from "@/features/plan/routines/Routines";

export default function Page() {
  return <Routines />;
}
