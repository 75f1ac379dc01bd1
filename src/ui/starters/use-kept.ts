'use client'
import { useCallback, useEffect, useState } from 'react'
import type { Email } from '@/core/email/schema'
import type { Routes } from '@/contract'
import type { AnswerOf } from '@/contract/route'
import { call } from '../api'

export type KeptPart = AnswerOf<Routes['GET /api/clients/:client/kept']>['kept'][number]
/** A kept part with its bands. */
export type KeptEmail = KeptPart & { email: Email }

/** How long a search rests before it is asked, ms. */
const REST = 150

/** What a client keeps for other jobs, as it is searched for; null until it is known. */
export function useKept(client: string | null, search: string) {
  const [kept, setKept] = useState<KeptEmail[] | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const load = useCallback(async () => {
    if (!client) return setKept([])
    try {
      const { kept: list } = await call('GET /api/clients/:client/kept', {
        params: { client },
        query: { search },
      })
      setKept(
        await Promise.all(
          list.map((k) => call('GET /api/clients/:client/kept/:kept', { params: { client, kept: k.id } })),
        ),
      )
      setProblem(null)
    } catch (e) {
      setProblem((e as Error).message)
    }
  }, [client, search])
  useEffect(() => {
    const wait = setTimeout(() => void load(), REST)
    return () => clearTimeout(wait)
  }, [load])
  return { kept, problem, reload: load }
}
