<script setup lang="ts">
import { computed, ref } from 'vue'
import type { NamedCycle } from '#core/heat/drive-cycles.ts'
import { useCycle } from '~/composables/heat'

/** The driving that is asked about, and the ways to one's own. */
const { duties, duty, chooseDuty } = useCycle()
const options = computed(() =>
  duties.value.map((one) => ({ value: one.id, label: one.label, group: one.own ? 'Of this project' : 'Invented, to begin with' })),
)
/** Undefined: closed. */
const editing = ref<{ from: NamedCycle | undefined; again: boolean }>()
const capital = (text: string) => `${text[0]!.toUpperCase()}${text.slice(1)}`
</script>

<template>
  <div v-if="duty" class="ask">
    <FieldItem label="Session"
      ><ChoiceSelect label="Session" :value="duty.id" :options="options" data-test="duty" @change="chooseDuty"
    /></FieldItem>
    <div class="buttons no-print">
      <ElButton v-if="duty.own" data-test="change-duty" @click="editing = { from: duty, again: true }">Change session</ElButton>
      <ElButton data-test="copy-duty" @click="editing = { from: duty, again: false }">{{
        duty.own ? 'Copy it' : 'Make it yours'
      }}</ElButton>
      <ElButton data-test="new-duty" @click="editing = { from: undefined, again: false }">New session</ElButton>
    </div>
    <p class="soft small words">{{ capital(duty.words) }}.</p>
    <LazySessionEditor v-if="editing" :from="editing.from" :again="editing.again" @close="editing = undefined" />
  </div>
</template>

<style scoped>
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: end;
}
.ask :deep(.choice) {
  width: 260px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.buttons .el-button + .el-button {
  margin-left: 0;
}
.words {
  flex: 1 0 100%;
  margin: 2px 0 6px;
}
</style>
