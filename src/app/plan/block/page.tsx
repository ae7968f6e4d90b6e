import { BlockPage } from "@/features/plan/block/BlockPage";

export default function Page() {
  return <BlockPage />;
}
