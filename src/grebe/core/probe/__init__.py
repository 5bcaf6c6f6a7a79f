"""Finding out what a box obeys, and how late it is: stimuli out, observations in, answers. Pure."""
