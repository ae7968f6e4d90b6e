import { Foods } from "@/features/food/foods/Foods";

export default function Page() {
  return <Foods />;
}
