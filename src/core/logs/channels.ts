import type { QuantityKind } from '../units/units';

/** One kind of value in a log. The order is the order of the columns in an exported CSV. */
export interface Channel {
  readonly key: string;
  readonly title: string;
  readonly kind: QuantityKind;
  /** Refused outside: no such vehicle, or another unit. In the core's unit of the kind. */
  readonly min: number;
  readonly max: number;
  /**
   * Words of a header that mean this channel, in small letters without accents and in the main European languages; the
   * best-scoring channel wins.
   */
  readonly words: RegExp;
  /** Words that rule it out. */
  readonly not?: RegExp;
}

export const CHANNELS = [
  {
    key: 'ect_c',
    title: 'Coolant (ECT)',
    kind: 'temperature',
    min: -60,
    max: 230,
    words:
      /\b(ect|coolant|engine coolant|clt|water|kuhlmittel|kuehlmittel|kuhlwasser|engine temp|liquide de refroidissement|refroidissement|eau moteur|refrigerante|refrigerador|liquido di raffreddamento|raffreddamento|arrefecimento|koelvloeistof|koelwater|plynu chlodzacego|chlodz|kylvats|kolevaeske|kjolevaeske|jaahdytysneste)/,
    not: /\b(hose|radiator|level|pressure|fan|gauge|target|desired|niveau|nivel|livello|pression|ventil\w*|ventol\w*)\b/
  },
  {
    key: 'iat_c',
    title: 'Intake air (IAT)',
    kind: 'temperature',
    min: -60,
    max: 230,
    words:
      /\b(iat|intake|inlet air|manifold air|charge air|ansaugluft|air (d )?admission|admission|aire (de )?admision|admision|aria aspirata|aspirazione|ar (de |da )?admissao|admissao|inlaatlucht|dolotow|insugsluft)/,
    not: /\b(pressure|map|valve)\b/
  },
  {
    key: 'ambient_c',
    title: 'Ambient',
    kind: 'temperature',
    min: -60,
    max: 70,
    words:
      /\b(ambient|outside|outdoor|aat|oat|außentemp|aussentemp|umgebung|exterieur|ambiante|exterior|ambiente|esterna|buitentemp|otoczenia|zewnetrzn|omgivning|utetemp)/,
    not: /pressure|baro/
  },
  {
    key: 'rpm',
    title: 'Engine speed',
    kind: 'rotation',
    min: 0,
    max: 20_000,
    words:
      /\b(rpm|engine speed|engine rpm|revs|rev\/min|crank|drehzahl|motordrehzahl|regime( moteur)?|regimen( del)?( motor)?|giri( motore)?|rotacao|toerental|obroty|predkosc obrotowa|varvtal)/,
    not: /\b(fan|turbo|turbine|desired|target)\b/
  },
  {
    key: 'speed_kmh',
    title: 'Road speed',
    kind: 'speed',
    min: 0,
    max: 400,
    words:
      /\b(vss|vehicle speed|road speed|speed|gps speed|velocity|geschwindigkeit|fahrzeuggeschwindigkeit|vitesse|velocidad|velocita|velocidade|snelheid|predkosc|hastighet)/,
    not: /\b(fan|engine|turbine|input|output|moteur|motor|obrotowa)\b/
  },
  {
    key: 'load_pct',
    title: 'Engine load',
    kind: 'share',
    min: 0,
    max: 200,
    words:
      /\b(load|calculated load|absolute load|motorlast|last|charge( moteur)?|carga( del)?( motor)?|carico( motore)?|belasting|obciazenie|belastning)/,
    not: /\b(fan|electrical)\b/
  },
  {
    key: 'fan_pct',
    title: 'Fan drive',
    kind: 'share',
    min: 0,
    max: 100,
    words:
      /\b(fan|fan duty|fan state|fan status|fan output|lufter|luefter|ventilateur|ventilador|ventola|ventoinha|ventilator|wentylator|flakt)/,
    not: /\b(command|commanded|cmd|request|requested|target|rpm|heater|blower|cabin)\b|rev\/min/
  },
  {
    key: 'fan_cmd_pct',
    title: 'Fan command',
    kind: 'share',
    min: 0,
    max: 100,
    words: /\b(fan command|fan commanded|fan cmd|commanded fan|fan request|fan requested|fan target)/,
    not: /\b(rpm|heater|blower|cabin)\b/
  },
  {
    key: 'fan_rpm',
    title: 'Fan speed',
    kind: 'rotation',
    min: 0,
    max: 12_000,
    words: /\b(fan rpm|fan speed|fan rev)/,
    not: /\b(heater|blower|cabin|command|commanded)\b/
  },
  {
    key: 'upper_hose_c',
    title: 'Upper hose',
    kind: 'temperature',
    min: -60,
    max: 230,
    words: /\b(upper hose|top hose|radiator inlet|rad in|hose upper|radiator in)/
  },
  {
    key: 'lower_hose_c',
    title: 'Lower hose',
    kind: 'temperature',
    min: -60,
    max: 230,
    words: /\b(lower hose|bottom hose|radiator outlet|rad out|hose lower|radiator out|ect2|return hose)/
  },
  {
    key: 'ac_on',
    title: 'A/C',
    kind: 'number',
    min: 0,
    max: 100,
    words: /\b(a\/c|ac|air con|aircon|air conditioning|climate|compressor)\b/,
    not: /\b(pressure|temp|temperature|accelerator|acceleration)\b/
  }
] as const satisfies readonly Channel[];

export type ChannelKey = (typeof CHANNELS)[number]['key'];

export const channel = (key: ChannelKey): Channel => CHANNELS.find((c) => c.key === key)!;
export const isChannelKey = (key: string): key is ChannelKey => CHANNELS.some((c) => c.key === key);

/** A log in columns: time in s from the start, ascending; one Float32 column a channel, NaN where blank. */
export interface Log {
  readonly t: Float64Array;
  readonly channels: Readonly<Partial<Record<ChannelKey, Float32Array>>>;
  readonly events: readonly LogEvent[];
  /** Clock time of the first sample where the file told it, ISO 8601: local without a zone, or UTC with a Z. */
  readonly startedAt?: string;
}

export interface LogEvent {
  readonly t: number;
  readonly text: string;
}
