<script setup lang="ts">
import { defineAsyncComponent, ref, shallowRef } from 'vue'
import type { MountPlace } from '#core/clearance/mount-place.ts'
import type { Part } from '#core/records/part.ts'
import type { NamedOutline, WheelProfile } from '#core/records/field.ts'

/** An outline from a 3D scan or a maker's model: a file is picked, or the example; all else comes with the dialog. */
const props = defineProps<{
  kind: 'caliper' | 'wheel'
  before: NamedOutline[] | WheelProfile | undefined
  part: Part | undefined
  /** Where the caliper's mount is on this car. */
  mountPlace: MountPlace | undefined
}>()
const emit = defineEmits<{ take: [value: NamedOutline[] | WheelProfile, source: string] }>()

const ScanDialog = defineAsyncComponent(() => import('./ScanDialog.vue'))
const file = shallowRef<File>()
const message = ref('')

async function example() {
  message.value = ''
  const name = `example-${props.kind}.stl`
  try {
    const found = await fetch(`/examples/${name}`)
    if (!found.ok) throw new Error(found.statusText)
    file.value = new File([await found.blob()], name)
  } catch {
    message.value = 'The example scan is not available without the network. Open a file of your own.'
  }
}
</script>

<template>
  <div class="scan">
    <FilePick label="From a 3D scan or model …" accept=".stl,.ply,.obj,.gltf,.glb" name="scan-file" @pick="file = $event" />
    <ElButton link type="primary" data-test="scan-example" @click="example">Open the example scan</ElButton>
    <p v-if="message" class="field-error" role="alert">{{ message }}</p>
    <ScanDialog
      v-if="file"
      :file="file"
      :kind="kind"
      :before="before"
      :part="part"
      :mount-place="mountPlace"
      @close="file = undefined"
      @take="(value: NamedOutline[] | WheelProfile, source: string) => emit('take', value, source)"
    />
  </div>
</template>

<style scoped>
.scan {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  margin: 10px 0;
}
</style>
