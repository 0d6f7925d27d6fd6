import { Component, type ReactNode } from 'react'
import { ERROR_BOUNDARY } from '../../words/screens/app'
import { Quiet } from '../parts/cards/Quiet'

interface Props {
  readonly children: ReactNode
  /** What is shown, such as an address: when it changes, the fault of what was shown before is over. */
  readonly of?: string
}

/** Catches a fault in a view, so that the rest of the house stays open. */
export class ErrorBoundary extends Component<Props, { readonly failed: boolean }> {
  override state = { failed: false }

  static getDerivedStateFromError() {
    return { failed: true }
  }

  override componentDidUpdate(before: Props) {
    if (this.state.failed && before.of !== this.props.of) this.setState({ failed: false })
  }

  override render() {
    if (!this.state.failed) return this.props.children
    return (
      <Quiet
        title={ERROR_BOUNDARY.thisPageHasFailed}
        words={ERROR_BOUNDARY.whatYouEnteredKeptOpen}
        action={{ label: ERROR_BOUNDARY.openAgain, onClick: () => this.setState({ failed: false }) }}
      />
    )
  }
}
