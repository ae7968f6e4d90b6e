import { Food } from "@/features/food/Food";

export default function Page() {
  return <Food />;
}
