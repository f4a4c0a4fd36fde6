import { Component, type ReactNode } from 'react'
import { BrokenPage } from './BrokenPage'

type Props = { at: unknown; children: ReactNode }
type State = { error: unknown; broken: boolean }
const WHOLE: State = { error: null, broken: false }

/** Shows a page that says so in the place of what failed, until somebody goes elsewhere. React asks for a class here. */
export class Broken extends Component<Props, State> {
  override state = WHOLE
  static getDerivedStateFromError(error: unknown): State {
    return { error, broken: true }
  }
  override componentDidUpdate(before: Props): void {
    if (this.state.broken && before.at !== this.props.at) this.setState(WHOLE)
  }
  override render(): ReactNode {
    return this.state.broken ? <BrokenPage error={this.state.error} /> : this.props.children
  }
}
