import type { Draft } from 'immer'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { newPart } from '#core/commands/new-part.ts'
import { carAxleFields } from '#core/records/car-fields.ts'
import { length, type FigureField } from '#core/records/field.ts'
import { fieldsOf, PART_KINDS, type PartKind } from '#core/records/part-kinds.ts'
import type { Part, PartOf } from '#core/records/part.ts'
import type { TrialFit } from '#core/records/setup.ts'
import { resolveSetup, spacerInUseMm } from '#core/records/resolve.ts'
import { sheetOf, SHEETS, type SheetId } from '#core/records/sheets.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { useProjectStore } from '../stores/project.ts'
import { newId } from './new-id.ts'
import { useWorkbench } from './workbench.ts'

/** Fields of what belongs to no part: a gap by difference, a trial fit. */
export const LOOSE_FIELDS: Readonly<Record<string, FigureField>> = {
  gapNowMm: length('Clearance now', -20, 100),
  radiusMm: length('At radius', 20, 330),
  protrusionNowMm: length('Present caliper beyond mounting face', -150, 200),
  protrusionNewMm: length('New caliper beyond mounting face', -150, 200),
  gapMm: length('Minimum clearance measured', -20, 100),
}
type AnyRecord = Draft<Record<string, unknown>>

/** Writes a field, or takes it away when there is nothing to write. */
function put(target: AnyRecord, key: string, value: unknown): void {
  if (value === undefined) Reflect.deleteProperty(target, key)
  else target[key] = value
}

/** The sheet in hand, what is measured on it, and where its figures are written. */
export function useMeasuring() {
  const store = useProjectStore()
  const route = useRoute()
  const router = useRouter()
  const { setup, axle, link } = useWorkbench()

  const resolved = computed(() => (setup.value ? resolveSetup(store.current, setup.value)[axle.value] : undefined))
  /** The sheet that the address names, else the one by which the fitted caliper was taken. */
  const sheet = computed(() => {
    const named = SHEETS.find((one) => one.id === route.query.sheet)
    const fitted = resolved.value?.caliper
    return named ?? sheetOf(fitted?.kind === 'caliper' && fitted.outlineFrom === 'points' ? 'caliperOutline' : 'caliperQuick')
  })
  const partKind = computed<Extract<PartKind, 'caliper' | 'wheel' | 'rotor'> | undefined>(() => {
    const { on } = sheet.value
    return on === 'caliper' || on === 'wheel' || on === 'rotor' ? on : undefined
  })
  const candidates = computed(() => store.current.parts.filter((part) => part.kind === partKind.value))
  /** The part that the address names, else the one that is fitted, else the first there is. */
  const part = computed<Part | undefined>(() => {
    const fitted = partKind.value && resolved.value?.[partKind.value]
    return (
      candidates.value.find((one) => one.id === route.query.part) ??
      candidates.value.find((one) => one.id === fitted?.id) ??
      candidates.value[0]
    )
  })
  const holder = computed<Record<string, unknown> | undefined>(() => {
    switch (sheet.value.on) {
      case 'byDifference':
      case 'trialFit':
        return { ...setup.value?.[axle.value][sheet.value.on] }
      case 'carAxle':
        return store.current.car[axle.value] as Record<string, unknown>
      default:
        return part.value as unknown as Record<string, unknown> | undefined
    }
  })

  const figureOf = (field: string) => holder.value?.[field] as Figure | undefined
  function fieldOf(field: string): FigureField | undefined {
    const table = sheet.value.on === 'carAxle' ? carAxleFields : partKind.value ? fieldsOf(partKind.value) : LOOSE_FIELDS
    const found = (table as Record<string, { type: string }>)[field]
    return found?.type === 'figure' ? (found as FigureField) : undefined
  }
  /** A sliding caliper is taken with rotor and pad on, a fixed one with the hat alone. */
  const dimensions = computed(() =>
    sheet.value.dimensions.filter((one) => {
      const field = fieldOf(one.field)
      const construction = (part.value as PartOf<'caliper'> | undefined)?.construction
      if (one.field === 'takenWithHatMm' && construction === 'sliding') return false
      return (
        field !== undefined && (!field.when || holder.value?.[field.when.field] === field.when.is || field.when.field === 'outlineFrom')
      )
    }),
  )

  const chooseSheet = (id: SheetId) => {
    const same = sheetOf(id).on === partKind.value && part.value
    return router.replace({ path: route.path, query: { ...link('measure').query, sheet: id, ...(same ? { part: same.id } : {}) } })
  }
  const choosePart = (id: string) =>
    router.replace({ path: route.path, query: { ...link('measure').query, sheet: sheet.value.id, part: id } })
  function addPart() {
    const kind = partKind.value
    if (!kind) return
    const id = newId()
    store.edit(`Add ${PART_KINDS[kind].one}`, (draft) => void draft.parts.push(newPart(id, kind, draft.parts)))
    void choosePart(id)
  }

  function write(field: string, value: unknown): void {
    const { on } = sheet.value
    store.edit(`Measure: ${fieldOf(field)?.label.toLowerCase() ?? 'points'}`, (draft) => {
      if (on === 'byDifference' || on === 'trialFit') {
        const target = draft.setups.find((one) => one.id === setup.value?.id)![axle.value]
        if (on === 'trialFit') put(target as AnyRecord, 'trialFit', value && trialWith(value as Figure))
        else {
          put((target.byDifference ??= {}) as AnyRecord, field, value)
          if (Object.keys(target.byDifference).length === 0) delete target.byDifference
        }
      } else if (on === 'carAxle') {
        const target = draft.car[axle.value]
        put(target as AnyRecord, field, value)
        const hat = resolved.value?.rotor?.hatThicknessMm
        if (field === 'objects' && value !== undefined && hat) target.objectsTakenWithHatMm ??= { ...hat }
      } else {
        const target = draft.parts.find((one) => one.id === part.value?.id) as AnyRecord | undefined
        if (!target) return
        put(target, field, value)
        if (value !== undefined) taken(target, field)
      }
    })
  }
  /** What follows from a figure that was measured: which outline is in use, and which guess of its doubt is outdone. */
  function taken(target: AnyRecord, field: string): void {
    if (field === 'outlines') target.outlineFrom = 'points'
    else if (sheet.value.id === 'caliperQuick' && field !== 'rotorEdgeToTallestMm') target.outlineFrom ??= 'quick'
    if (field === 'faceMm' || field === 'outlines') Reflect.deleteProperty(target, 'uAxialMm')
    if (field === 'tallestRadiusMm' || field === 'outlines') Reflect.deleteProperty(target, 'uRadialMm')
    if (field === 'profile') for (const one of ['uBarrelRadialMm', 'uFaceAxialMm']) Reflect.deleteProperty(target, one)
  }
  /** A trial fit speaks of the very parts that are fitted now. */
  function trialWith(gapMm: Figure): TrialFit {
    const now = resolved.value!
    return {
      gapMm,
      caliper: now.caliper!.id,
      wheel: now.wheel!.id,
      spacerMm: spacerInUseMm(now)!,
      ...(now.rotor ? { rotor: now.rotor.id } : {}),
      ...(now.pad ? { pad: now.pad.id } : {}),
      bracket: now.bracket?.id ?? null,
      shimMm: now.shimMm,
      ...(now.wheel!.faceChosen === undefined ? {} : { face: now.wheel!.faceChosen }),
      ...(now.wheel!.weightThicknessMm ? { weightsMm: now.wheel!.weightThicknessMm.value } : {}),
    }
  }
  const trialPossible = computed(() => {
    const now = resolved.value
    return Boolean(now?.caliper && now.wheel && spacerInUseMm(now) !== undefined)
  })
  /** "4 of 12": how much of a sheet is known of what is fitted; empty for nothing. */
  function done(id: SheetId): string {
    const { on, dimensions: all, points } = sheetOf(id)
    const target =
      on === 'byDifference' || on === 'trialFit'
        ? setup.value?.[axle.value][on]
        : on === 'carAxle'
          ? store.current.car[axle.value]
          : resolved.value?.[on]
    const fields = [...all.map((one) => one.field), ...(points ? [points.field] : [])]
    const known = fields.filter((field) => (target as Record<string, unknown> | null | undefined)?.[field] !== undefined).length
    return known === 0 ? '' : `${known} of ${fields.length}`
  }

  return {
    sheet,
    partKind,
    candidates,
    part,
    holder,
    resolved,
    figureOf,
    fieldOf,
    dimensions,
    chooseSheet,
    choosePart,
    addPart,
    write,
    trialPossible,
    done,
  }
}
