import { Component, type ReactNode } from 'react'
import { Quiet } from '../parts/Quiet'

/** Catches a fault in a view, so that the rest of the house stays open. */
export class ErrorBoundary extends Component<{ readonly children: ReactNode }, { readonly failed: boolean }> {
  override state = { failed: false }

  static getDerivedStateFromError() {
    return { failed: true }
  }

  override render() {
    if (!this.state.failed) return this.props.children
    return (
      <Quiet
        title="This view has stumbled"
        words="What you entered is kept. Open the view again; if it stumbles once more, the other rooms still work."
        action={{ label: 'Open it again', onClick: () => this.setState({ failed: false }) }}
      />
    )
  }
}
