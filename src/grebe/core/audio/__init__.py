"""What stand-ins sound like: small drums, a bass and a pad made by arithmetic, and their mix."""
