"""What every process of Grebe needs: its folders, its log, its priority, how another is started."""
