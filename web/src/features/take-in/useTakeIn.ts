import { useQuery } from '@tanstack/vue-query'
import { useDebounceFn, useStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { v4 as uuid } from 'uuid'
import { api, dataOf, type Api, type ProblemBody } from '@/shared/api/client'
import { typedNumber } from '@/shared/format'
import { useWrites } from '@/shared/write/useWrites'

const empty = {
  serial: '',
  modelId: '',
  customerName: '',
  customerContact: '',
  complaint: '',
  words: '',
  tried: '',
  cleansTried: 0,
  ink: 'maker',
  idleWeeks: 0,
  moved: false,
  paper: 'plain',
  borderless: false,
  warrantyEnd: '',
  limit: '',
  promise: '',
  accessories: '',
  ageYears: '',
  firmware: 'unknown',
  slot: 0,
  changes: [] as string[],
  before: [] as { repair: string; on: string; sinceTrouble: boolean }[],
}

const noNumber = (pointer: string, typed: string): ProblemBody => {
  const said = {
    code: 'not-a-number',
    title: 'Not a number',
    detail: `“${typed}” is no number.`,
    hint: 'Give figures only.',
  }
  return { type: 'about:blank', status: 0, ...said, problems: [{ ...said, pointer }], changes: [] }
}

/** The take-in form. What is typed is kept in this browser until it is written, with the key of its write. */
export function useTakeIn() {
  const form = useStorage('side-bench-take-in', { ...empty }, undefined, { mergeDefaults: true })
  const key = useStorage('side-bench-take-in-key', uuid())
  const customerId = ref<number | null>(null)
  const machine = ref<Api<'FoundMachine'> | null>(null)
  const choices = useQuery({ queryKey: ['choices'], queryFn: () => dataOf(api.GET('/api/take-in/choices')) })
  const model = computed(() => choices.data.value?.models.find((m) => m.id === form.value.modelId) ?? null)
  const customers = ref<Api<'CustomerView'>[]>([])

  /** A serial that begins as one model's do proposes that model; of several the one that says most of it. What was chosen stays. */
  function proposeModel(serial: string) {
    if (form.value.modelId || !serial) return
    const begins = (choices.data.value?.models ?? [])
      .filter((m) => m.serialPrefix && serial.toLowerCase().startsWith(m.serialPrefix.toLowerCase()))
      .sort((a, b) => b.serialPrefix.length - a.serialPrefix.length)
    if (begins[0]) form.value.modelId = begins[0].id
  }

  const lookUpMachine = useDebounceFn(async () => {
    const serial = form.value.serial.trim()
    const { data } = serial
      ? await api.GET('/api/take-in/machine', { params: { query: { serial } } })
      : { data: undefined }
    machine.value = data ?? null
    if (!machine.value) return proposeModel(serial)
    form.value.modelId = machine.value.modelId
    chooseCustomer(machine.value.customer)
  }, 250)
  watch(
    () => form.value.serial,
    () => void lookUpMachine(),
    { immediate: true },
  )

  const lookUpCustomers = useDebounceFn(async () => {
    const start = form.value.customerName.trim()
    customers.value =
      start.length < 2 ? [] : await dataOf(api.GET('/api/take-in/customers', { params: { query: { start } } }))
    const same = customers.value.filter((c) => c.name.toLowerCase() === start.toLowerCase())
    if (same.length === 1) chooseCustomer(same[0]!)
  }, 200)

  function typeCustomer() {
    customerId.value = null
    void lookUpCustomers()
  }

  function chooseCustomer(customer: Api<'CustomerView'>) {
    customerId.value = customer.id
    form.value.customerName = customer.name
    form.value.customerContact = customer.contact
    customers.value = []
  }

  function clear() {
    form.value = { ...empty }
    key.value = uuid()
    customerId.value = null
    machine.value = null
    writes.dismiss()
  }

  function body(): Api<'TakeInRequest'> {
    const f = form.value
    return {
      ...f,
      key: key.value,
      machineId: machine.value?.id ?? null,
      customerId: customerId.value,
      cleansTried: Number(f.cleansTried) || 0,
      idleWeeks: Number(f.idleWeeks) || 0,
      ageYears: f.ageYears === '' ? null : Number(f.ageYears),
      slot: Number(f.slot) || 0,
      changes: f.changes.filter((c) => model.value?.changes.some((known) => known.id === c)),
      before: f.before
        .filter((b) => b.repair)
        .map((b) => ({ repair: b.repair, on: b.on || null, sinceTrouble: b.sinceTrouble })),
      warrantyEnd: f.warrantyEnd || null,
      limit: typedNumber(String(f.limit)),
      promise: f.promise ? new Date(f.promise).toISOString() : null,
    }
  }

  const writes = useWrites<Api<'TakenInView'>>({
    about: 'take-in',
    stamp: () => ({ seenVersion: 0 }),
    written: clear,
    refetch: () => choices.refetch(),
  })

  /** Writes it; the job's number, or null when it was refused. */
  async function send(): Promise<number | null> {
    // What is no number is not sent as nothing.
    if (Number.isNaN(typedNumber(String(form.value.limit)))) {
      writes.problem.value = noNumber('/limit', String(form.value.limit))
      return null
    }
    const said = body()
    const taken = await writes.send('take-in', () => dataOf(api.POST('/api/take-in', { body: said })))
    if (writes.problem.value?.code === 'key-reused') key.value = uuid()
    return taken?.jobId ?? null
  }

  const complaints = computed(() =>
    (choices.data.value?.complaints ?? []).filter((c) => !model.value || model.value.complaints.includes(c.id)),
  )
  const slots = computed(() => model.value?.slots ?? [])
  return {
    model,
    form,
    slots,
    machine,
    customerId,
    customers,
    choices,
    complaints,
    problem: writes.problem,
    busy: writes.busy,
    asking: writes.asking,
    canRetry: writes.canRetry,
    dismiss: writes.dismiss,
    send,
    clear,
    typeCustomer,
    chooseCustomer,
  }
}
