import { z } from 'zod';
import { TOOLS } from '../measure/tools';

/** What only some people do. */
export const SKILLS = {
  electrical: 'Measures circuits',
  cooling: 'Opens the cooling system',
  road: 'Drives on the road'
} as const;
export type Skill = keyof typeof SKILLS;
const SKILL_IDS = Object.keys(SKILLS) as [Skill, ...Skill[]];

/** Where work is done; a bay with extraction is the only roof under which an engine runs. */
export const PLACE_KINDS = {
  bay: 'Bay',
  extraction: 'Bay with extraction',
  yard: 'Yard',
  bench: 'Bench'
} as const;
export type PlaceKind = keyof typeof PLACE_KINDS;
const PLACE_IDS = Object.keys(PLACE_KINDS) as [PlaceKind, ...PlaceKind[]];

/** From Sunday on, as calendars number them. */
export const WEEKDAYS = [
  'Sunday',
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday'
] as const;

const time = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time is written 07:30');
const hours = z
  .object({ from: time, to: time })
  .refine((h) => h.from < h.to, { path: ['to'], message: 'The end is later than the beginning' })
  .nullable();
const week = z.array(hours).length(7, 'A week has seven days, Sunday first');
const date = z.iso.date('A day is written 2026-05-31');
const name = z.string().trim().min(1, 'Give it a name').max(60, 'At most 60 letters');

const personSchema = z.object({
  name,
  skills: z.array(z.enum(SKILL_IDS)).default([]),
  /** Hours by weekday, Sunday first; null where they are away. */
  hours: week,
  /** Days off, the last one included. */
  away: z
    .array(
      z.object({ from: date, to: date }).refine((a) => a.from <= a.to, {
        path: ['to'],
        message: 'The last day is not before the first'
      })
    )
    .default([])
});
const placeSchema = z.object({
  name,
  kind: z.enum(PLACE_IDS),
  /** Vehicles that stand there at once. */
  room: z
    .number()
    .int('Whole vehicles')
    .min(1, 'Room for one vehicle at least')
    .max(60, 'At most 60')
    .default(1)
});

const distinct = (list: readonly { readonly name: string }[]) =>
  new Set(list.map((l) => l.name.toLowerCase())).size === list.length;

/** Who works here, where, with how many of each tool, and when parts come. */
export const floorSchema = z.object({
  people: z
    .array(personSchema)
    .max(60, 'At most 60 people')
    .refine(distinct, 'Two people have one name')
    .default([]),
  places: z
    .array(placeSchema)
    .max(60, 'At most 60 places')
    .refine(distinct, 'Two places have one name')
    .default([]),
  /** How many there are of a tool; one that is not named is never waited for. */
  tools: z
    .partialRecord(z.enum(TOOLS), z.number().int('Whole tools').min(1, 'One at least').max(60, 'At most 60'))
    .default({}),
  /** Weekdays on which ordered parts come, Sunday is 0; any working day where none is named. */
  partDays: z.array(z.number().int().min(0).max(6)).default([])
});
export type Floor = z.infer<typeof floorSchema>;
export type Person = Floor['people'][number];

/** Until somebody says who works here nothing can be planned. */
export const NO_FLOOR: Floor = floorSchema.parse({});
