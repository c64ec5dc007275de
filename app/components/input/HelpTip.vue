<script setup lang="ts">
import { useHelp } from '~/composables/help'

/** Where the help of any mark is shown. */
const { at } = useHelp()
</script>

<template>
  <ElTooltip :visible="at !== undefined" :content="at?.text" :virtual-ref="at?.mark" virtual-triggering placement="top" />
</template>
