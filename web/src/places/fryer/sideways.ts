// A phone that lies on its side, on a stand.

export const LYING = "@media (orientation: landscape) and (max-height: 520px)";

/** The page takes all of its width. */
export const SIDEWAYS = { [LYING]: { maxWidth: "none" } };
