<script setup lang="ts">
const { settings, trouble, done, saveHours, addRoom, setRoom } = useSettings()
const name = ref('')
const MOST_MINUTES = 60
async function add() {
  if (!name.value.trim()) return
  await addRoom(name.value)
  if (!trouble.value) name.value = ''
}
const minutesOf = (event: Event) => Number((event.target as HTMLInputElement).value)
</script>

<template>
  <div v-if="settings" class="max-w-3xl flex flex-col gap-6">
    <SaveState :trouble="trouble" :done="done" />
    <section aria-label="Hours">
      <h3 class="text-xl mb-1">Open</h3>
      <p class="text-soft mb-2">
        A booking outside these hours is refused. Where no day is ticked, any time can be booked.
      </p>
      <HoursRows :hours="settings.hours" @change="saveHours({ hours: $event })" />
    </section>
    <section aria-label="Closed days">
      <h3 class="text-xl mb-2">Closed days</h3>
      <ClosedDays :days="settings.closedDays" @change="saveHours({ closedDays: $event })" />
    </section>
    <section aria-label="Rooms">
      <h3 class="text-xl mb-2">Rooms</h3>
      <ul>
        <li
          v-for="room in settings.rooms"
          :key="room.id"
          class="flex items-center gap-3 min-h-[52px] border-b border-hair"
        >
          <FieldText
            class="flex-1"
            needed
            :name="`Name of ${room.name}`"
            :value="room.name"
            :maxlength="60"
            @change="setRoom({ ...room, name: $event })"
          />
          <FieldTick :checked="room.isUsed" @change="setRoom({ ...room, isUsed: $event })">
            used
          </FieldTick>
        </li>
      </ul>
      <form class="flex gap-2 mt-3" @submit.prevent="add">
        <input
          v-model="name"
          class="field flex-1"
          maxlength="60"
          placeholder="Name of another room"
          aria-label="Name of another room"
        />
        <button
          type="submit"
          class="rung"
          v-off="!name.trim() && 'Type the name of the room first.'"
          >Add the room</button
        >
      </form>
    </section>
    <label class="flex items-center gap-3">
      Between two visits a room needs
      <input
        class="field w-20"
        type="number"
        min="0"
        :max="MOST_MINUTES"
        step="5"
        aria-label="Minutes of turnover"
        :value="settings.turnoverMinutes"
        @change="saveHours({ turnoverMinutes: minutesOf($event) })"
      />
      minutes; visits booked from now on have them.
    </label>
  </div>
</template>
