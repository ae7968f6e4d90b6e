import { Work } from "@/features/lifts/Work";

export default function Page() {
  return <Work />;
}
