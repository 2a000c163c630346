import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { BrowserRouter } from 'react-router'
import { onEnded, Problem } from './api/client'
import { startOutbox } from './api/outbox'
import { askToKeep } from './api/keeping'
import { surroundings } from './api/queries'
import { App } from './App'
import { StaysUp } from './kit/Fallen'
import { newerCame, watchTouches } from './offline/newer'
import { keepPages } from './offline/seen'
import './styles.css'

const dark = window.matchMedia('(prefers-color-scheme: dark)').matches
document.documentElement.dataset.watch = localStorage.getItem('watch') ?? (dark ? 'night' : 'day')

const client = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => (error instanceof Problem ? error.passing && count < 20 : count < 2),
      retryDelay: 2000,
      staleTime: 5000,
      // Also without a connection: the worker has what was seen. Only asking again waits for one.
      networkMode: 'offlineFirst',
    },
  },
})

startOutbox(surroundings(client))
askToKeep()
onEnded(() => void client.invalidateQueries({ queryKey: ['session'] }))
watchTouches()
// What is just being asked has not gone through the worker, which would not keep it: it is asked again, and not waited for.
const askAgain = () => void client.cancelQueries().then(() => client.invalidateQueries())
if (import.meta.env.PROD) keepPages(askAgain, newerCame)

// Letters that change width after the first paint would move a button from under a thumb. They come from the same server, so they are worth the wait.
const LONGEST_WAIT_FOR_LETTERS_MS = 1500
const letters = Promise.all(
  ['400', '600', '750'].flatMap((weight) =>
    ['Next', 'Mono'].map((cut) =>
      document.fonts.load(`${weight} 15px "Atkinson Hyperlegible ${cut} Variable"`),
    ),
  ),
)
const patience = new Promise((resolve) => setTimeout(resolve, LONGEST_WAIT_FOR_LETTERS_MS))

void Promise.race([letters, patience]).finally(() =>
  createRoot(document.getElementById('root')!).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <BrowserRouter>
          <StaysUp at="">
            <App />
          </StaysUp>
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  ),
)
