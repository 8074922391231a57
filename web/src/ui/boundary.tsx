import { Component, type ReactNode } from 'react';

interface BoundaryProps {
  children: ReactNode;
  /** What stands there instead, once something in it has failed. */
  instead: ReactNode;
}

/** Keeps a failure of one part from taking the page with it. */
class Boundary extends Component<BoundaryProps, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError(): { failed: boolean } {
    return { failed: true };
  }

  override render(): ReactNode {
    return this.state.failed ? this.props.instead : this.props.children;
  }
}

export { Boundary };
