<script setup lang="ts">
import { FoldedPart } from '#components'
import { computed, ref } from 'vue'
import { CLASSES, CLASS_IDS, type ClassId } from '#core/guide/classes.ts'
import { fillFromClass, typicalCount } from '#core/guide/fill.ts'
import { useProjectStore } from '~/stores/project'

/** A class of cars from which what is unknown is filled in. */
defineProps<{
  /** The car has values of its own: the classes are offered behind one press. */
  folded?: boolean
}>()
const store = useProjectStore()
const choosing = ref(false)
const count = computed(() => typicalCount(store.current))
/** The class that the project was filled from, as far as anything of it is left. */
const chosen = computed<ClassId | ''>(() => {
  const { car, parts } = store.current
  const figures = [car, ...parts].flatMap((one) => Object.values(one).flat() as { madeOf?: { way: string; given: { class?: string } } }[])
  const given = figures.find((one) => one?.madeOf?.way === 'typical')?.madeOf?.given.class
  return CLASS_IDS.find((id) => id === given) ?? ''
})
function fill(id: ClassId) {
  choosing.value = false
  store.edit(`Start from a typical ${CLASSES[id].label}`, (draft) => void fillFromClass(draft, id))
}
</script>

<template>
  <section class="typical-car" aria-label="Typical car">
    <component
      :is="folded && chosen === '' ? FoldedPart : 'div'"
      v-if="chosen === '' || choosing"
      title="Fill empty fields from a typical car"
    >
      <p class="small">
        <strong>Start from a typical car.</strong> Its values fill every empty field, each with its uncertainty. Your own values stay.
      </p>
      <ul>
        <li v-for="id in CLASS_IDS" :key="id">
          <button type="button" class="class" :aria-pressed="id === chosen" @click="fill(id)">
            <strong>{{ CLASSES[id].label }}</strong>
            <span class="soft small">{{ CLASSES[id].says }}</span>
          </button>
        </li>
      </ul>
    </component>
    <p v-else class="small">
      Typical car: {{ CLASSES[chosen].label }}. <ElButton link type="primary" @click="choosing = true">Change typical car</ElButton>
    </p>
    <span v-if="count > 0" class="soft small" data-test="typical-count">{{ count }} values are typical, not measured on this car.</span>
  </section>
</template>

<style scoped>
.typical-car {
  margin: 6px 0 12px;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 6px;
  margin: 4px 0 6px;
  padding: 0;
  list-style: none;
}
.class {
  display: grid;
  width: 100%;
  height: 100%;
  padding: 7px 10px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.class:hover,
.class[aria-pressed='true'] {
  background: var(--sheet-2);
}
</style>
