import { SettingsPage } from "@/features/settings/SettingsPage";

export default function Page() {
  return <SettingsPage />;
}
