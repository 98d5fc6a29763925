/** What the forms call the fields of an entry, by the field's own name; what is said of a field says it so. */
const FIELD_NAMES = {
  why: 'Reason',
  outcome: 'Outcome',
  cause: 'Cause',
  lookAgain: 'Recheck on',
  repairs: 'Repair',
  price: 'Price',
  supplier: 'Supplier',
  partNo: 'Part number',
  days: 'Delivery, days',
  outL: 'Drained',
  inL: 'Refilled with',
  withPct: 'Glycol in it',
  nowPct: 'Measured now',
  complaint: 'In the driver’s words',
  stream: 'Entry',
  id: 'Entry',
  vehicleId: 'Vehicle',
  fleetNo: 'Fleet number',
  name: 'Vehicle',
  note: 'Used for',
  currency: 'Currency',
  labourPerHour: 'Labour rate per hour',
  comeback: 'Cost of a comeback besides labour',
  misnamed: 'Cost of a wrong cause on record',
  dayOffRoad: 'Cost of a day off the road',
  leadDays: 'Days until an ordered part is here'
} as const;

/** A path such as `parts.0.price` in the words of its form: `Price, row 1`. What has no name of its own stays as it is. */
export function fieldWords(path: string): string {
  const steps = path.split('.');
  const last = steps.findLast((s) => Object.hasOwn(FIELD_NAMES, s));
  if (!last) return path;
  const row = steps.find((s) => /^\d+$/.test(s));
  return FIELD_NAMES[last as keyof typeof FIELD_NAMES] + (row ? `, row ${Number(row) + 1}` : '');
}
