import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils'
import { afterEach } from 'vitest'

// What a test mounted is gone after it: files share one page, and a clock that goes on there would stand still for the next.
disableAutoUnmount()
enableAutoUnmount(afterEach)
