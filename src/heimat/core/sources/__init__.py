"""Where colors come from."""
