import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { BrowserRouter } from 'react-router'
import { Problem } from './api/client'
import { startOutbox } from './api/outbox'
import { App } from './App'
import './styles.css'

const dark = window.matchMedia('(prefers-color-scheme: dark)').matches
document.documentElement.dataset.watch = localStorage.getItem('watch') ?? (dark ? 'night' : 'day')

const client = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => (error instanceof Problem ? error.passing && count < 20 : count < 2),
      retryDelay: 2000,
      staleTime: 5000,
    },
  },
})

startOutbox((page) => {
  client.setQueryData(['batch', page.card.id], page)
  void client.invalidateQueries({ queryKey: ['range'] })
})

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <BrowserRouter>
        <App />
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
)
