import { Lifts } from "@/features/lifts/Lifts";

export default function Page() {
  return <Lifts />;
}
