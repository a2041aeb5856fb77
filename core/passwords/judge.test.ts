import { describe, expect, test } from 'vitest'
import { judgePassword, LEAST_PASSWORD } from '.'

describe('a password', () => {
  test('of eleven characters is too short, of twelve it may be long enough', () => {
    const eleven = 'fern-otter-'
    expect(eleven.length).toBe(LEAST_PASSWORD - 1)
    expect(judgePassword(eleven).refusal).toContain('it has 11')
    expect(judgePassword(`${eleven}7`).refusal).toBeUndefined()
  })
  test('is counted in characters, not in halves of them', () => {
    expect(judgePassword('🌊🌊🌊🌊🌊🌊').refusal).toContain('it has 6')
  })
  // Among the most used in published leaks, and keys in a row (facts of the trade, from memory).
  test.each(['password1234', '123456789012', 'qwertyuiopas', 'iloveyouiloveyou', 'aaaaaaaaaaaa'])(
    '%s is among the first that are tried',
    (password) => expect(judgePassword(password).refusal).toContain('among the first'),
  )
  test('made of what everybody knows of its owner stands less than without knowing', () => {
    const password = 'marenoduyalind'
    const known = judgePassword(password, ['Maren Oduya-Lind', 'maren@saltgrass.example'])
    expect(known.score).toBeLessThan(judgePassword(password).score)
    expect(judgePassword('marenmaren12', ['Maren']).refusal).toContain('among the first')
  })
  test.each([
    'correct horse battery staple',
    'otter kiln 42 verandah',
    'Блюдо-семь-озёр',
    '静かな潮の満ち引きを聞く夜',
  ])('%s is taken, in any script', (password) =>
    expect(judgePassword(password)).toMatchObject({ score: 4, refusal: undefined }),
  )
})
