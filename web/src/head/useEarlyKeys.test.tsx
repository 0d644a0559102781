/** @jest-environment jsdom */
import { afterEach, expect, jest, test } from '@jest/globals'
import { cleanup, renderHook } from '@testing-library/react'
import { useEarlyKeys } from './useEarlyKeys.ts'

afterEach(() => {
  cleanup()
  jest.useRealTimers()
})

const press = (key: string, more: KeyboardEventInit = {}) => {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more })
  document.body.dispatchEvent(event)
  return event.defaultPrevented
}

test('keys pressed before what was asked for is there are its letters, and nobody else sees them', () => {
  const { result } = renderHook(() => useEarlyKeys())
  const seen: string[] = []
  const listen = (event: KeyboardEvent) => void seen.push(event.key)
  window.addEventListener('keydown', listen)
  expect(press('a')).toBe(false)
  result.current.ask()
  for (const key of ['w', 'h', 'o', 'p', 'Backspace', 'ArrowDown']) expect(press(key)).toBe(true)
  press('c', { ctrlKey: true })
  expect(result.current.typed()).toBe('who')
  expect(press('d')).toBe(false)
  expect([seen, result.current.typed()]).toEqual([['a', 'd'], ''])
  window.removeEventListener('keydown', listen)
})

test('what does not come leaves the keys to everybody again', () => {
  jest.useFakeTimers()
  const { result } = renderHook(() => useEarlyKeys())
  result.current.ask()
  expect(press('x')).toBe(true)
  jest.advanceTimersByTime(5000)
  expect([press('y'), result.current.typed()]).toEqual([false, ''])
})
