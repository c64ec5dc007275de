import { createSharedComposable } from '@vueuse/core'
import { ElMessage } from 'element-plus'
import { shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { fileNameOf, MAX_FILE_BYTES, writeProject } from '#core/formats/project-file.ts'
import type { Problem } from '#core/records/check.ts'
import { useProjectStore } from '../stores/project.ts'
import { useFormats } from './formats.ts'
import { useTableImport } from './table-import.ts'
import { useShelfStore } from '../stores/shelf.ts'

/** Projects in from files and out to files. */
export const useProjectFiles = createSharedComposable(() => {
  const router = useRouter()
  const store = useProjectStore()
  const shelf = useShelfStore()
  const incoming = useTableImport()
  const formats = useFormats()
  /** What is wrong with the file that was just refused. */
  const refused = shallowRef<{ name: string; problems: Problem[] }>()

  async function openFile(file: File): Promise<void> {
    // a table belongs to the parts of the open project
    if (/\.(csv|tsv)$/i.test(file.name) && store.project) {
      await router.push({ path: `/p/${store.project.id}/parts`, query: { view: 'table' } })
      await incoming.startFile(file, 'caliper')
      return
    }
    if (file.size > MAX_FILE_BYTES) {
      refuse(file.name, [{ path: '', place: 'the file', message: `is larger than ${MAX_FILE_BYTES / 1e6} MB, the limit for a project.` }])
      return
    }
    const found = await formats.readProject(file)
    if (!found.ok) {
      if (found.left) ElMessage.info(found.message)
      else refuse(file.name, [{ path: '', place: 'the file', message: found.why }])
      return
    }
    const read = found.value
    if (!read.ok) {
      refuse(file.name, read.problems)
      return
    }
    const added = await shelf.add(read.project)
    if ('message' in added) {
      refuse(file.name, [{ path: '', place: 'this browser', message: added.message }])
      return
    }
    // it was read and saved just now: there is no need to load it again
    await store.adopt(added.project, added.revision)
    if (added.id !== read.project.id) ElMessage.info('A project with this id is already here. The file was opened as a copy.')
    await router.push(`/p/${added.id}/fit`)
  }

  const refuse = (name: string, problems: Problem[]) => {
    refused.value = { name: name.slice(0, 80), problems }
  }

  function exportOpen(): void {
    if (!store.project) return
    download(fileNameOf(store.project), writeProject(store.project))
  }

  return { refused, openFile, exportOpen }
})

/** Hands a text or bytes to the browser as a file. */
export function download(name: string, content: string | Uint8Array, type = 'application/json'): void {
  const url = URL.createObjectURL(new Blob([typeof content === 'string' ? content : new Uint8Array(content)], { type }))
  const anchor = document.createElement('a')
  anchor.href = url
  anchor.download = name
  anchor.click()
  setTimeout(() => URL.revokeObjectURL(url), 1000)
}
