'use client'

import { yupResolver } from '@hookform/resolvers/yup'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button, Form } from 'react-bootstrap'
import { useForm } from 'react-hook-form'
import { object, string } from 'yup'
import { call } from '../call'

const schema = object({
  signIn: string().trim().required('Type the name you sign in with.'),
  password: string().required('Type your password.'),
})

export function SignInForm({ to }: { to: string }) {
  const router = useRouter()
  const [problem, setProblem] = useState<string>()
  const form = useForm({ resolver: yupResolver(schema), defaultValues: { signIn: '', password: '' } })
  const { errors, isSubmitting } = form.formState
  const submit = form.handleSubmit(async (values) => {
    setProblem(undefined)
    try {
      await call('/api/sign-in', 'POST', values)
      router.push(to)
      router.refresh()
    } catch (error) {
      setProblem((error as Error).message)
    }
  })
  return (
    <form onSubmit={submit} noValidate method="post">
      <Form.Group controlId="sign-in">
        <Form.Label>Name</Form.Label>
        <Form.Control
          autoComplete="username"
          autoCapitalize="none"
          autoFocus
          {...form.register('signIn')}
          isInvalid={!!errors.signIn}
        />
        {errors.signIn && <div className="problem">{errors.signIn.message}</div>}
      </Form.Group>
      <Form.Group controlId="password">
        <Form.Label>Password</Form.Label>
        <Form.Control
          type="password"
          autoComplete="current-password"
          {...form.register('password')}
          isInvalid={!!errors.password}
        />
        {errors.password && <div className="problem">{errors.password.message}</div>}
      </Form.Group>
      {problem && (
        <div className="problem" role="alert">
          {problem}
        </div>
      )}
      <Button type="submit" disabled={isSubmitting}>
        Sign in
      </Button>
    </form>
  )
}
