<script setup lang="ts">
import { useRouter } from 'vue-router'
import { GLOSSARY } from '#core/guide/glossary.ts'

/** The terms that the application uses, two lines each. */
const router = useRouter()
const back = () => (window.history.length > 1 ? router.back() : router.push('/'))
</script>

<template>
  <main class="glossary">
    <header class="screen">
      <ElButton link type="primary" @click="back"><Icon name="tabler:arrow-left" /> Back</ElButton>
    </header>
    <h1>Glossary</h1>
    <dl>
      <template v-for="([term, meaning], id) in GLOSSARY" :key="id">
        <dt :id="id">{{ term }}</dt>
        <dd>{{ meaning }}</dd>
      </template>
    </dl>
  </main>
</template>

<style scoped>
.glossary {
  max-width: 760px;
  margin: 0 auto;
  padding: 16px 20px 60px;
}
dl {
  display: grid;
  grid-template-columns: minmax(150px, max-content) 1fr;
  gap: 8px 18px;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
dt:target,
dt:target + dd {
  background: var(--sheet-2);
}
@media (width <= 560px) {
  dl {
    grid-template-columns: 1fr;
    gap: 2px;
  }
  dd {
    margin-bottom: 10px;
  }
}
</style>
