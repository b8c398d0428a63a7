import type { ThemeConfig } from 'antd';

/** The counter of a print shop: paper, ink, brick. All colours of the product are here and in tokens.css. */
export const colours = {
  paper: '#F6F3EC',
  card: '#FFFEFA',
  ink: '#1F2A30',
  quiet: '#55606A',
  mortar: '#C9C2B4',
  brick: '#A9442A',
  brickDark: '#8A3520',
  brickPale: '#EAD6CB',
  stage: '#B8B8B8',
} as const;

const family = "'Archivo Variable', system-ui, sans-serif";

export const theme: ThemeConfig = {
  token: {
    colorPrimary: colours.brick,
    // By itself it would be paler than white letters can be read on.
    colorPrimaryHover: colours.brickDark,
    colorLink: colours.brickDark,
    colorText: colours.ink,
    colorTextSecondary: colours.quiet,
    colorTextDescription: colours.quiet,
    colorTextPlaceholder: '#6A747C',
    colorBgBase: colours.card,
    colorBgLayout: colours.paper,
    colorBorder: colours.mortar,
    // The ring round what has the focus: 3 : 1 and more on every ground.
    colorPrimaryBorder: colours.brickDark,
    colorBorderSecondary: '#DDD7C9',
    colorSuccess: '#3F6B3D',
    colorWarning: '#8A5A0B',
    colorError: '#9C2A1F',
    borderRadius: 3,
    fontFamily: family,
    fontSize: 14,
    controlHeight: 32,
    motionDurationMid: '0.12s',
    motionDurationSlow: '0.16s',
  },
  components: {
    Button: { fontWeight: 600, primaryShadow: 'none', defaultShadow: 'none' },
    Table: { headerBg: '#EFEBE1', headerColor: colours.ink, cellPaddingBlockSM: 6 },
    Popover: { titleMinWidth: 120 },
  },
};

/** The same for those who asked their system for less motion. */
export const stillTheme: ThemeConfig = { ...theme, token: { ...theme.token, motion: false } };
