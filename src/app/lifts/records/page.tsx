import { Records } from "@/features/lifts/Records";

export default function Page() {
  return <Records />;
}
