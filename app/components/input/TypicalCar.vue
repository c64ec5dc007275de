<script setup lang="ts">
import { computed } from 'vue'
import { CLASSES, CLASS_IDS, type ClassId } from '#core/typical/classes.ts'
import { fillFromClass, typicalCount } from '#core/typical/fill.ts'
import { useProjectStore } from '~/stores/project'

/** A class of cars from which what is unknown is filled in. */
const store = useProjectStore()
const classes = [
  { value: '' as const, label: 'none' },
  ...CLASS_IDS.map((value) => ({ value, label: CLASSES[value].label, detail: CLASSES[value].says })),
]
const count = computed(() => typicalCount(store.project!))
/** The class that the project was filled from, as far as anything of it is left. */
const chosen = computed<ClassId | ''>(() => {
  const { car, parts } = store.project!
  const figures = [car, ...parts].flatMap((one) => Object.values(one).flat() as { madeOf?: { way: string; given: { class?: string } } }[])
  const given = figures.find((one) => one?.madeOf?.way === 'typical')?.madeOf?.given.class
  return CLASS_IDS.find((id) => id === given) ?? ''
})
function fill(id: ClassId | '') {
  if (id !== '') store.edit(`Start from a typical ${CLASSES[id].label}`, (draft) => void fillFromClass(draft, id))
}
</script>

<template>
  <FieldItem
    class="typical-car"
    label="Fill what is unknown from a typical car"
    help="Typical values of an invented class fill every empty field, each with its uncertainty. Your own values stay. Undo removes them again."
  >
    <ChoiceSelect label="Typical car" :value="chosen" :options="classes" @change="fill" />
    <span v-if="count > 0" class="soft small" data-test="typical-count">{{ count }} figures are typical, not this car’s.</span>
  </FieldItem>
</template>
