<script setup lang="ts">
import { computed } from 'vue'
import { putAt } from '#core/commands/put-at.ts'
import { amount, OTHER_LIMITS } from '#core/records/field.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** How the balance bar of a setup is set. */
const props = defineProps<{ setupId: string }>()
const emit = defineEmits<{ enter: [] }>()
const store = useProjectStore()
const { units } = useWorkbench()
const field = amount('Front share of the balance bar', 'share', ...OTHER_LIMITS.barFrontShare, {
  help: '50% is centred. Balance > Bores gives the position for each pair of bores.',
})
const figure = computed(() => store.current.setups.find((one) => one.id === props.setupId)?.hydraulics.barFrontShare)
</script>

<template>
  <FigureInput
    name="barFrontShare"
    :field="field"
    :figure="figure"
    :units="units"
    @change="
      store.edit('Set the balance bar', (draft) =>
        putAt(draft, { kind: 'setup', setupId, field: 'barFrontShare' }, { barFrontShare: $event }),
      )
    "
    @enter="emit('enter')"
  />
</template>
