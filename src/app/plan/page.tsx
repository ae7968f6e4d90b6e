import { Plan } from "@/features/plan/Plan";

export default function Page() {
  return <Plan />;
}
