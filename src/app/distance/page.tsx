import { Distance } from "@/features/distance/Distance";

export default function Page() {
  return <Distance />;
}
