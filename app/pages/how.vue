<script setup lang="ts">
import { useRouter } from 'vue-router'
import { howItDecides } from '#core/guide/how.ts'

/** How verdicts come about: schools, limits and sources in words; to read or to print. */
const router = useRouter()
const { schools, limits, formulas } = howItDecides()
const print = () => window.print()
const back = () => (window.history.length > 1 ? router.back() : router.push('/'))
</script>

<template>
  <main class="how">
    <header class="screen">
      <ElButton link type="primary" @click="back"><Icon name="tabler:arrow-left" /> Back</ElButton>
      <ElButton type="primary" @click="print">Print</ElButton>
    </header>
    <h1>How it decides</h1>
    <p class="screen"><NuxtLink to="/glossary">Open glossary</NuxtLink></p>
    <p>Every verdict comes from entered values, each with its source and uncertainty. A missing value is a question, never a zero.</p>
    <h2>Verdicts</h2>
    <dl>
      <dt><VerdictMark verdict="fits" :size="15" /> OK</dt>
      <dd>
        All inputs of the check are known for this car and within their limits. A clearance is at least the required one with 95%
        confidence.
      </dd>
      <dt><VerdictMark verdict="check" :size="15" /> check on the car</dt>
      <dd>The calculation allows it, or uses typical values: inspect the car or do a trial fit.</dd>
      <dt><VerdictMark verdict="needs" :size="15" /> needs a fix</dt>
      <dd>A part, a spacer or work makes it right. Every fix was tried before it was offered.</dd>
      <dt><VerdictMark verdict="unknown" :size="15" /> not enough data</dt>
      <dd>A value is missing or too uncertain.</dd>
      <dt><VerdictMark verdict="blocked" :size="15" /> do not build</dt>
      <dd>It must not be built this way, unless you accept a fix that makes it right.</dd>
    </dl>
    <h2>Where practitioners disagree</h2>
    <section v-for="one in schools" :key="one.question" class="school">
      <h3>{{ one.question }}</h3>
      <ul>
        <li v-for="way in one.ways" :key="way.label" :class="{ taken: way.taken }">
          {{ way.label }}<span v-if="way.taken" class="small"> (default)</span>
          <span class="soft small reason">{{ way.reason }}</span>
        </li>
      </ul>
    </section>
    <h2>Limits of the fit check</h2>
    <p class="soft small">A project can set its own limits. Each result names the limit it uses.</p>
    <table class="plain">
      <thead>
        <tr>
          <th scope="col">Limit</th>
          <th scope="col" class="num">Value</th>
          <th scope="col">Why</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in limits" :key="one.label">
          <th scope="row">{{ one.label }}</th>
          <td class="num">{{ one.value }}</td>
          <td>{{ one.reason }}</td>
        </tr>
      </tbody>
    </table>
    <h2>Formulas and their sources</h2>
    <p class="soft small">Every result in a project opens with its own numbers.</p>
    <table class="plain">
      <thead>
        <tr>
          <th scope="col">Figure</th>
          <th scope="col">Formula</th>
          <th scope="col">Source</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in formulas" :key="one.id">
          <th scope="row">{{ one.name }}</th>
          <td class="num">{{ one.text }}</td>
          <td>{{ one.source }}</td>
        </tr>
      </tbody>
    </table>
  </main>
</template>

<style scoped>
.how {
  max-width: 960px;
  margin: 0 auto;
  padding: 20px 24px 60px;
}
.screen {
  display: flex;
  justify-content: space-between;
  margin-bottom: 8px;
}
h2 {
  margin: 22px 0 6px;
  border-bottom: 1px solid var(--line);
}
h3 {
  margin: 10px 0 2px;
}
dt {
  font-weight: 640;
}
dd {
  margin: 0 0 6px 22px;
}
.school {
  break-inside: avoid;
}
.school ul {
  margin: 0;
  padding-left: 20px;
}
.taken {
  font-weight: 600;
}
.reason {
  display: block;
  font-weight: 400;
}
table {
  width: 100%;
}
th,
td {
  padding: 4px 8px 4px 0;
  border-bottom: 1px solid var(--hair);
  font-weight: 400;
  text-align: left;
  vertical-align: top;
  overflow-wrap: anywhere;
}
th[scope='row'] {
  width: 34%;
}
@media print {
  .screen {
    display: none;
  }
}
</style>
