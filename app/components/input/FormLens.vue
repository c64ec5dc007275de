<script setup lang="ts">
import { onBeforeUnmount } from 'vue'
import { useFormLens } from '~/composables/form-lens'

/** How the forms below are read: a search over all their fields, and folded by an answer or by their headings. */
const { search, all, by, choices } = useFormLens()
onBeforeUnmount(() => (search.value = ''))
</script>

<template>
  <div class="lens">
    <ElInput
      v-model="search"
      class="search"
      clearable
      aria-label="Search the fields"
      placeholder="Search the fields"
      :validate-event="false"
    />
    <span class="soft small">Fields needed for</span>
    <ChoiceSelect class="by" label="Fields needed for" :value="by" :options="choices" @change="by = $event" />
    <ElCheckbox v-model="all" :validate-event="false">Show all fields</ElCheckbox>
  </div>
</template>

<style scoped>
.lens {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin-bottom: 12px;
}
.search {
  width: 220px;
}
.by {
  width: 250px;
}
</style>
