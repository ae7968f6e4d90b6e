import { Outside } from "@/features/plan/outside/Outside";

export default function Page() {
  return <Outside />;
}
