import { expose } from 'comlink'
import { readReports, type TakenReports } from '../../core/formats/fit-reports-text.ts'
import { isPdf, readProjectFromPdf } from '../../core/formats/project-in-pdf.ts'
import { readProject, type ReadProject } from '../../core/formats/project-file.ts'
import { readDxf, type DxfLayer, type DxfPlacing, type ReadDxf } from '../../core/formats/dxf-read.ts'
import { outlinesFromDxf, profileFromDxf } from '../../core/formats/dxf-take.ts'
import { writeDxf } from '../../core/formats/dxf-write.ts'
import { templatePdf } from '../../core/formats/template-pdf.ts'
import { referenceSheet } from '../../core/formats/reference-sheet.ts'
import { template, type Paper, type TemplateOptions } from '../../core/formats/template.ts'
import type { NamedOutline, WheelProfile } from '../../core/records/field.ts'
import { newId } from '../composables/new-id.ts'

export type PlacedTemplate = { ok: true; value: NamedOutline[] | WheelProfile } | { ok: false; message: string }

const api = {
  async readProject(file: Blob): Promise<ReadProject> {
    const bytes = new Uint8Array(await file.slice(0, 1024).arrayBuffer())
    return isPdf(bytes) ? await readProjectFromPdf(new Uint8Array(await file.arrayBuffer())) : readProject(await file.text())
  },
  readReports: async (file: Blob): Promise<TakenReports> => readReports(await file.text(), () => newId()),
  readDxf: async (file: Blob): Promise<ReadDxf> => readDxf(await file.text()),
  placeDxf(layers: DxfLayer[], placing: DxfPlacing, kind: 'outlines' | 'profile'): PlacedTemplate {
    if (kind === 'outlines') return { ok: true, value: outlinesFromDxf(layers, placing) }
    const found = profileFromDxf(layers, placing)
    return found.ok ? { ok: true, value: found.profile } : found
  },
  writeDxf: (outlines: Pick<NamedOutline, 'name' | 'points'>[]): string => writeDxf(outlines),
  referenceSheetPdf: (paper: Paper): Promise<Uint8Array> => templatePdf(referenceSheet(paper)),
  templatePdf: (outlines: NamedOutline[], options: TemplateOptions): Promise<Uint8Array> => templatePdf(template(outlines, options)),
}

export type FormatsApi = typeof api

expose(api)
