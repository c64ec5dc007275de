import { afterEach, expect, jest, test } from '@jest/globals'
import localforage from 'localforage'
import { browserBox, StorageBlocked, inMemory, memoryBox, withoutStorage } from './box.ts'

afterEach(() => {
  jest.restoreAllMocks()
  inMemory.value = false
})

test('where the browser keeps nothing the page goes on in memory, and says so', async () => {
  jest.spyOn(localforage, 'createInstance').mockReturnValue({
    ready: () => Promise.reject(new Error('No available storage method found.')),
  } as never)
  const box = browserBox('blocked', 1)
  expect(inMemory.value).toBe(false)
  expect(await box.getItem('a')).toBeNull()
  expect(inMemory.value).toBe(true)
  await box.setItem('a', { b: 1 })
  expect(await box.getItem('a')).toEqual({ b: 1 })
  expect(await box.keys()).toEqual(['a'])
  await box.removeItem('a')
  expect(await box.keys()).toEqual([])
})

test('a browser that keeps is used, and a fault in between is no reason to leave it', async () => {
  const kept = {
    ready: () => Promise.resolve(),
    getItem: () => Promise.reject(new Error('gone for a moment')),
    keys: () => Promise.resolve(['x']),
  }
  jest.spyOn(localforage, 'createInstance').mockReturnValue(kept as never)
  const box = browserBox('kept', 1)
  await expect(box.getItem('a')).rejects.toThrow('gone for a moment')
  expect(await box.keys()).toEqual(['x'])
  expect(inMemory.value).toBe(false)
})

test('one that never answers is told by name, can be tried again, and the page can go on without it', async () => {
  let answers = false
  const never = new Promise<never>(() => undefined)
  const kept = {
    ready: () => (answers ? Promise.resolve() : never),
    keys: () => Promise.resolve(['x']),
    getItem: () => never,
  }
  jest.spyOn(localforage, 'createInstance').mockReturnValue(kept as never)
  const box = browserBox('hangs', 1, 5)
  await expect(box.keys()).rejects.toThrow(StorageBlocked)
  answers = true
  expect(await box.keys()).toEqual(['x'])
  await expect(box.getItem('x')).rejects.toThrow('has not answered for 0.005 s')
  withoutStorage()
  expect(await box.getItem('x')).toBeNull()
  await box.setItem('x', 1)
  expect(await box.keys()).toEqual(['x'])
})

test('what is kept in memory is a copy', async () => {
  const box = memoryBox()
  const value = { list: [1] }
  await box.setItem('a', value)
  value.list.push(2)
  const got = await box.getItem<typeof value>('a')
  got!.list.push(3)
  expect(await box.getItem('a')).toEqual({ list: [1] })
})
