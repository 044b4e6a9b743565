// Layers whose pixels may differ from Chromium's in more than 2% of their ink, each with its reason and its own limit.
export const exceptions = [];
