"""Real servers and kernels to try Grebe against."""
