<script setup lang="ts">
import type { SetUpForm } from '~/support/set-up/form'

/** Who founds the salon. The code shows that it is whoever started the server. */
const you = defineModel<SetUpForm['you']>('you', { required: true })
const code = defineModel<string>('code', { required: true })
defineProps<{ about: readonly string[] }>()
const emit = defineEmits<{ weak: [why: string | undefined] }>()
</script>

<template>
  <div class="grid grid-cols-2 gap-4">
    <label class="flex flex-col gap-1 col-span-2">
      Code
      <span class="flex items-center gap-4">
        <input
          v-model="code"
          class="field w-52 tracking-widest uppercase"
          autocomplete="off"
          autocapitalize="characters"
          spellcheck="false"
          maxlength="40"
          required
        />
        <span class="text-sm text-soft">
          It stands where the server was started, beside its address, and works once.
        </span>
      </span>
    </label>
    <label class="flex flex-col gap-1">
      Your name
      <input v-model="you.name" class="field" autocomplete="name" maxlength="120" required />
    </label>
    <label class="flex flex-col gap-1">
      E-mail
      <input
        v-model.trim="you.email"
        class="field"
        type="email"
        autocomplete="username"
        maxlength="200"
        required
      />
    </label>
    <PasswordField
      label="Password"
      :value="you.password"
      :about="about"
      @change="you.password = $event"
      @weak="emit('weak', $event)"
    />
    <FieldTick class="self-start mt-8" :checked="you.performs" @change="you.performs = $event">
      I perform treatments myself
    </FieldTick>
  </div>
</template>
