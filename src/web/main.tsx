import '@mantine/core/styles.css'
import '@mantine/dates/styles.css'
import '@mantine/notifications/styles.css'
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css'
import './app/tokens.css'
import { MantineProvider } from '@mantine/core'
import { Notifications } from '@mantine/notifications'
import { setNonce } from 'get-nonce'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter } from 'react-router'
import { SWRConfig } from 'swr'
import { App } from './app/App'
import shell from './app/Shell.module.css'
import { cssVariables, theme } from './app/theme'

const nonce = document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce
const root = document.getElementById('root')
// Dialogs lock the page behind them with a style of their own; it carries the nonce, too.
if (nonce !== undefined) setNonce(nonce)
if (root === null) throw new Error('The page has no place for Olvent.')

createRoot(root).render(
  <StrictMode>
    <MantineProvider theme={theme} cssVariablesResolver={cssVariables} defaultColorScheme="auto" getStyleNonce={nonce === undefined ? undefined : () => nonce}>
      <SWRConfig value={{ revalidateOnFocus: true, shouldRetryOnError: true, errorRetryInterval: 3000, dedupingInterval: 500 }}>
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </SWRConfig>
      <Notifications position="bottom-center" classNames={{ root: shell.told }} autoClose={8000} transitionDuration={120} />
    </MantineProvider>
  </StrictMode>
)
