"use client";

import { AntdRegistry } from "@ant-design/nextjs-registry";
import { ConfigProvider } from "antd";
import { createContext, type ReactNode, use, useCallback, useMemo, useSyncExternalStore } from "react";
import { store } from "../kit/stored";
import { useCoarse } from "../kit/useMedia";
import { type Mode, tokens } from "./tokens";

interface ModeControl {
  mode: Mode;
  setMode: (mode: Mode) => void;
}

const ModeContext = createContext<ModeControl>({ mode: "light", setMode: () => {} });

const changed = new EventTarget();

function subscribe(listener: () => void): () => void {
  changed.addEventListener("mode", listener);
  return () => changed.removeEventListener("mode", listener);
}

/** Light or dark, as the script in the page's head put it before the first paint, and the control that changes it. */
export function useMode(): ModeControl {
  return use(ModeContext);
}

/** Where the lists of choices stand in the page while they are open. */
const popups = "choices";

/** Ant Design in our tokens. */
export function ThemeProvider({ children }: { children: ReactNode }) {
  const mode = useSyncExternalStore<Mode>(
    subscribe,
    () => (document.documentElement.dataset.mode === "dark" ? "dark" : "light"),
    () => "light",
  );
  const setMode = useCallback((next: Mode) => {
    document.documentElement.dataset.mode = next;
    store("oat-column-mode", next);
    changed.dispatchEvent(new Event("mode"));
  }, []);
  const isCoarse = useCoarse();
  const theme = useMemo(() => antdTheme(mode, isCoarse), [mode, isCoarse]);
  return (
    <AntdRegistry>
      <ConfigProvider
        theme={theme}
        wave={{ disabled: true }}
        getPopupContainer={() => document.getElementById(popups) ?? document.body}
      >
        <ModeContext value={{ mode, setMode }}>{children}</ModeContext>
        <div id={popups} role="region" aria-label="Choices" />
      </ConfigProvider>
    </AntdRegistry>
  );
}

function antdTheme(mode: Mode, isCoarse: boolean) {
  const { paper, ink, rule, pine, plum, slate, wash } = tokens[mode];
  return {
    token: {
      colorPrimary: pine,
      colorInfo: pine,
      colorLink: pine,
      colorError: plum,
      colorWarning: plum,
      colorText: ink,
      colorTextBase: ink,
      colorTextSecondary: slate,
      colorTextPlaceholder: slate,
      colorTextDescription: slate,
      colorBgBase: paper,
      colorBgContainer: paper,
      colorBgElevated: paper,
      colorBorder: slate,
      colorBorderSecondary: rule,
      colorTextLightSolid: mode === "dark" ? paper : "#ffffff",
      controlItemBgActive: wash,
      controlItemBgHover: wash,
      controlItemBgActiveHover: wash,
      colorPrimaryBg: wash,
      colorPrimaryBgHover: wash,
      colorFillAlter: wash,
      colorFillSecondary: wash,
      colorFillTertiary: wash,
      colorTextQuaternary: slate,
      colorPrimaryHover: pine,
      colorPrimaryActive: pine,
      borderRadius: 3,
      fontFamily: "var(--font-text), 'Source Sans 3', sans-serif",
      fontSize: 16,
      // A finger needs more room than a pointer.
      controlHeight: isCoarse ? 40 : 36,
      motion: false,
      boxShadow: "none",
      boxShadowSecondary: `0 0 0 1px ${rule}`,
    },
    components: {
      Button: { primaryShadow: "none", defaultShadow: "none", fontWeight: 600 },
      Input: { activeShadow: "none" },
      Select: { activeOutlineColor: "transparent", optionSelectedBg: wash, optionSelectedFontWeight: 600 },
      Segmented: { trackBg: wash, itemColor: slate, itemSelectedBg: paper, itemSelectedColor: ink },
      Modal: { contentBg: paper, headerBg: paper },
      Checkbox: { colorBorder: slate },
      Tooltip: { colorBgSpotlight: ink, colorTextLightSolid: paper },
      Table: {
        headerBg: "transparent",
        headerColor: slate,
        headerSplitColor: "transparent",
        headerSortActiveBg: "transparent",
        headerSortHoverBg: "transparent",
        bodySortBg: "transparent",
        rowHoverBg: "transparent",
        borderColor: rule,
        headerBorderRadius: 0,
        headerIconColor: slate,
        headerIconHoverColor: ink,
        filterDropdownBg: paper,
        filterDropdownMenuBg: paper,
      },
    },
  };
}
