<script setup lang="ts">
/** A fold in section: what the fingers lift, and where the jaws go. */
</script>

<template>
  <svg
    viewBox="0 0 360 230"
    role="img"
    :aria-label="t('guide.pinchLabel')"
    class="block h-auto w-full max-w-[440px]"
    fill="none"
    stroke-linecap="round"
    stroke-linejoin="round"
  >
    <!-- Muscle, which stays below; fat and skin, which the fingers lift. -->
    <path d="M10 190H350V222H10Z" class="fill-clay-wash stroke-line" />
    <path
      d="M10 160C70 160 112 160 132 146C146 136 148 96 150 70C152 50 158 42 166 42C174 42 180 50 182 70C184 96 186 136 200 146C220 160 262 160 350 160V190H10Z"
      class="fill-board"
    />
    <path
      d="M10 160C70 160 112 160 132 146C146 136 148 96 150 70C152 50 158 42 166 42C174 42 180 50 182 70C184 96 186 136 200 146C220 160 262 160 350 160"
      class="stroke-faded"
      stroke-width="4"
    />
    <path d="M10 190H350" class="stroke-faded" stroke-width="1.5" />
    <!-- Thumb and finger. -->
    <path
      d="M66 18C92 18 120 38 138 52C150 62 152 78 144 84C134 90 120 80 108 72C92 62 76 56 64 56"
      class="fill-chalk stroke-ink"
      stroke-width="2"
    />
    <path
      d="M266 18C240 18 212 38 194 52C182 62 180 78 188 84C198 90 212 80 224 72C240 62 256 56 268 56"
      class="fill-chalk stroke-ink"
      stroke-width="2"
    />
    <!-- The jaws, square to the fold. -->
    <path d="M70 112H142M70 122H142M142 108V126" class="stroke-leaf" stroke-width="3" />
    <path d="M262 112H190M262 122H190M190 108V126" class="stroke-leaf" stroke-width="3" />
    <path d="M214 86V116M209 86h10M209 116h10" class="stroke-ink" stroke-width="1.2" />
    <g class="figure fill-ink text-[15px]">
      <text x="62" y="42" text-anchor="end">{{ t('guide.thumb') }}</text>
      <text x="270" y="42">{{ t('guide.finger') }}</text>
      <text x="224" y="104">{{ t('guide.oneCm') }}</text>
      <text x="64" y="122" text-anchor="end">{{ t('guide.jaws') }}</text>
      <text x="20" y="180">{{ t('guide.skinFat') }}</text>
      <text x="20" y="212">{{ t('guide.muscle') }}</text>
    </g>
  </svg>
</template>
