import { NextWeek } from "@/features/plan/next/NextWeek";

export default function Page() {
  return <NextWeek />;
}
