import { MealWeek } from "@/features/food/week/MealWeek";

export default function Page() {
  return <MealWeek />;
}
