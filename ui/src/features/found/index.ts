export { confidenceWords, seenPrints } from './offers';
export { InsetField } from './InsetField';
export { keepInset, keptInset } from './inset';
export { Offered } from './FoundOutline';
export { useSeparate } from './useSeparate';
export { foundQuery, measureBlur, offerLevel, offerScanBorder, type Found, type FoundBlur, type FoundLevel, type FoundPrint } from './queries';
