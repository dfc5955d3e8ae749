/** What no release judged whose plans are still kept to be read: of those plans it is said now, and was not then. */
export const JUDGED_SINCE: readonly string[] = [
  ...[
    'comes-loose',
    'worn',
    'rider-meets',
    'rider-untied',
    'where-it-rests',
    'second-hold',
    'roof-straps',
    'roof-lines',
    'into-the-deck',
    'battery-fails',
    'sags',
    'over-battery',
    'shared-with-motor',
  ],
];
