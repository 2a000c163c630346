import { api } from './client'
import type { ChargeRequest } from './queries'

type Paper = '/api/charges/sheet.pdf' | '/api/charges/table.csv'

/** Fetches a paper that is made for a charge and hands it to the browser to keep. */
export async function fetchFile(path: Paper, request: ChargeRequest, name: string): Promise<void> {
  const answer = await api.POST(path, { body: request, parseAs: 'blob' })
  const address = URL.createObjectURL(answer.data as unknown as Blob)
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  // The browser reads it after the click has returned.
  setTimeout(() => URL.revokeObjectURL(address), 60_000)
}
