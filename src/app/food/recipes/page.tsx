import { Recipes } from "@/features/food/recipes/Recipes";

export default function Page() {
  return <Recipes />;
}
