import type { SpecSheet } from './spec-sheet';

/** How the fan is driven, in words. */
export function fanWords(sheet: SpecSheet): string {
  const stages = sheet.fan?.stages ?? [];
  const clutch = sheet.clutch ? `${sheet.clutch.kind} clutch fan` : '';
  const electric =
    sheet.fan?.drive === 'controller'
      ? 'electronic fan controller'
      : stages.length > 0
        ? `electric fan, ${stages.length} stage${stages.length === 1 ? '' : 's'}`
        : '';
  return [clutch, electric].filter(Boolean).join(' and ') || 'fan not given';
}
