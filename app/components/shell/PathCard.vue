<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { usePath } from '~/composables/path'
import { useWorkbench } from '~/composables/workbench'

/** On the short way to an answer: what it takes, and nothing else. */
const { link } = useWorkbench()
const route = useRoute()
const { first, way } = usePath()
const waypoints = computed(() =>
  way.value
    ? way.value.steps.map((one) => ({ key: one.id, label: one.words, done: one.done, to: link(one.to, { view: one.view }) }))
    : first.value.map((one) => ({
        key: one.key,
        label: one.label,
        done: !one.open,
        to: { path: route.path, query: { ...route.query, focus: one.key } },
      })),
)
</script>

<template>
  <div>
    <p class="asked small">Your question</p>
    <ul class="path">
      <li v-for="one in waypoints" :key="one.key">
        <NuxtLink :to="one.to"
          ><i aria-hidden="true" :class="{ done: one.done }" /> {{ one.label
          }}<span class="visually-hidden">{{ one.done ? ', there' : ', open' }}</span></NuxtLink
        >
      </li>
    </ul>
    <NuxtLink :to="link('car')" class="asked small">Show everything</NuxtLink>
  </div>
</template>

<style scoped>
.asked {
  display: block;
  margin: 4px 0 8px;
  padding: 0 12px;
  color: var(--ink-soft);
}
a.asked {
  color: var(--accent);
}
.path {
  margin: 0;
  padding: 0;
  list-style: none;
}
.path a {
  /* what is only heard stays with its line */
  position: relative;
  display: block;
  padding: 4px 10px 4px 12px;
  color: var(--ink);
  font-size: 13px;
  line-height: 1.25;
  text-decoration: none;
}
.path a:hover {
  background: var(--sheet-2);
}
i {
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 2px;
  border: 1.5px solid var(--ink-soft);
  border-radius: 50%;
}
i.done {
  border-color: var(--fits);
  background: var(--fits);
}
@media (max-width: 760px) {
  .path {
    display: flex;
    gap: 2px;
    overflow-x: auto;
  }
  .path a {
    white-space: nowrap;
  }
}
</style>
