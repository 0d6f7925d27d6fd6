import type { DeviceDeed, WireDevice } from '../../contract'

/**
 * A source of readings. The stand-ins are the reference; a real one (a scale over Bluetooth's Weight Scale service, a serial line, pushes over HTTP)
 * is another object of this shape, see docs/devices.md.
 */
export interface DeviceAdapter {
  /** What it offers. */
  devices(): readonly WireDevice[]
  /** Begins to read; called when the first window listens. */
  open(): void
  /** Stops reading; called when nobody listens any more, and at the end. */
  close(): void
  /** What a panel does to it, where it is a stand-in. @returns whether it knows that device and that deed */
  touch?(deviceId: string, deed: DeviceDeed): boolean
}
