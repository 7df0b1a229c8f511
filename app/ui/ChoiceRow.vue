<script setup lang="ts" generic="T extends string">
import {
  RadioGroup,
  RadioGroupDescription,
  RadioGroupLabel,
  RadioGroupOption,
} from '@headlessui/vue'

defineProps<{
  label: string
  options: { value: T; name: string; detail?: string }[]
  /** Leaves the label to those who do not see the screen. */
  hideLabel?: boolean
  /** Smaller chips, for many options. */
  compact?: boolean
  /** In columns of one width, so that nothing moves when the letters arrive. */
  even?: boolean
}>()
const model = defineModel<T>({ required: true })
</script>

<template>
  <RadioGroup v-model="model">
    <RadioGroupLabel as="span" class="block pb-1 font-bold" :class="{ 'sr-only': hideLabel }">
      {{ label }}
    </RadioGroupLabel>
    <div
      class="gap-2"
      :class="even ? 'grid grid-cols-[repeat(auto-fill,minmax(9.5rem,1fr))]' : 'flex flex-wrap'"
    >
      <RadioGroupOption
        v-for="option in options"
        :key="option.value"
        v-slot="{ checked }"
        as="template"
        :value="option.value"
      >
        <div
          class="flex min-h-11 min-w-16 flex-col justify-center rounded border-2"
          :class="[
            checked ? 'border-leaf bg-white' : 'border-faded bg-chalk',
            compact ? 'px-2.5 py-0.5' : 'px-4 py-1.5',
          ]"
        >
          <RadioGroupLabel as="span" class="flex items-center gap-2 font-bold">
            <span
              aria-hidden="true"
              class="grid size-4 place-items-center rounded-full border-2"
              :class="checked ? 'border-leaf' : 'border-faded'"
            >
              <span v-if="checked" class="size-2 rounded-full bg-leaf" />
            </span>
            {{ option.name }}
          </RadioGroupLabel>
          <RadioGroupDescription
            v-if="option.detail"
            as="span"
            class="pl-6 text-faded"
            :class="{ 'text-sm': compact }"
          >
            {{ option.detail }}
          </RadioGroupDescription>
        </div>
      </RadioGroupOption>
    </div>
  </RadioGroup>
</template>
