import { Library } from "@/features/lifts/Library";

export default function Page() {
  return <Library />;
}
