import { Cycles } from "@/features/plan/cycles/Cycles";

export default function Page() {
  return <Cycles />;
}
