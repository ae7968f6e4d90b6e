"use client";

import { Button, ConfigProvider, Input } from "antd";

/** The yardstick for first-load size: a page with only Next, ConfigProvider, Button and Input. */
export default function Page() {
  return (
    <ConfigProvider theme={{ token: { colorPrimary: "#0E6B5C" } }}>
      <Input aria-label="bare" />
      <Button>Bare</Button>
    </ConfigProvider>
  );
}
