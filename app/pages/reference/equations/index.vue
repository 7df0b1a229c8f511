<script setup lang="ts">
import { EQUATIONS } from '#core'

const equations = tellAll(EQUATIONS)
const families = [...new Set(equations.map(({ family }) => family))]
</script>

<template>
  <ReferencePage :title="t('equations.equations')" class="max-w-4xl">
    <p class="pb-4 text-lg">{{ t('equations.eachItsSourceItsPeople') }}</p>
    <section v-for="family in families" :key="family" class="pb-5">
      <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ family }}</h2>
      <ul>
        <li
          v-for="equation in equations.filter((e) => e.family === family)"
          :key="equation.id"
          class="border-b border-line py-2"
        >
          <TitleLink :to="`/reference/equations/${equation.id}`">
            {{ equation.name }}
          </TitleLink>
          <span class="block text-faded">
            {{
              equation.variants
                .map(({ sex }) => t(sex === 'male' ? 'reference.men' : 'reference.women'))
                .join(', ')
            }}
            <template v-if="equation.standard"> · {{ standardName(equation.standard) }}</template>
            ·
            {{
              [...equation.variants[0]!.folds, ...equation.variants[0]!.girths]
                .map((site) => nameOf(site).toLowerCase())
                .join(', ') || t('equations.heightMass')
            }}
          </span>
        </li>
      </ul>
    </section>
  </ReferencePage>
</template>
