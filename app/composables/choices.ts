import { PART_KIND_NAMES, PART_KINDS } from '#core/records/part-kinds.ts'
import { ORIGIN_WORDS, ORIGINS } from '#core/quantity/figure.ts'
import { INSTRUMENT_IDS, INSTRUMENTS } from '#core/quantity/instrument.ts'

/** What is chosen from in more than one place. */
export const INSTRUMENT_CHOICES = INSTRUMENT_IDS.map((value) => ({ value, label: INSTRUMENTS[value].label }))
export const ORIGIN_CHOICES = ORIGINS.map((value) => ({ value, label: ORIGIN_WORDS[value] }))
export const KIND_CHOICES = PART_KIND_NAMES.map((value) => ({ value, label: PART_KINDS[value].one }))
