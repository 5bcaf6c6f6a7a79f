/* The reference sender of `grebe bench --only clock`: the least a program can do.

   usage: reference TICKS INTERVAL_NS SOCKET...
   Sleeps to absolute deadlines with clock_nanosleep, then sends one F8 to every
   socket and prints, for each send, how late the call was, in nanoseconds.
   Asks for SCHED_FIFO 70, as Grebe's engine does; prints "fifo" or "none" first. */
#define _GNU_SOURCE
#include <sched.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/mman.h>
#include <sys/socket.h>
#include <sys/un.h>
#include <time.h>

#define MAX_SOCKETS 64

static long long now_ns(void) {
    struct timespec t;
    clock_gettime(CLOCK_MONOTONIC, &t);
    return t.tv_sec * 1000000000LL + t.tv_nsec;
}

int main(int argc, char **argv) {
    if (argc < 4 || argc > 3 + MAX_SOCKETS) return 2;
    long ticks = atol(argv[1]), interval = atol(argv[2]);
    int sockets[MAX_SOCKETS], count = argc - 3;
    for (int i = 0; i < count; i++) {
        struct sockaddr_un to = {.sun_family = AF_UNIX};
        strncpy(to.sun_path, argv[3 + i], sizeof to.sun_path - 1);
        sockets[i] = socket(AF_UNIX, SOCK_SEQPACKET | SOCK_NONBLOCK, 0);
        if (connect(sockets[i], (struct sockaddr *)&to, sizeof to)) return 3;
    }
    long long *late = malloc(sizeof *late * ticks * count);
    if (!late) return 4;
    struct sched_param priority = {.sched_priority = 70};
    puts(sched_setscheduler(0, SCHED_FIFO, &priority) ? "none" : "fifo");
    mlockall(MCL_CURRENT | MCL_FUTURE);
    memset(late, 0, sizeof *late * ticks * count);
    long long start = now_ns() + 50000000;
    for (long n = 0; n < ticks; n++) {
        long long due = start + n * interval;
        struct timespec at = {due / 1000000000, due % 1000000000};
        while (clock_nanosleep(CLOCK_MONOTONIC, TIMER_ABSTIME, &at, NULL)) {}
        for (int i = 0; i < count; i++) {
            late[n * count + i] = now_ns() - due;
            send(sockets[i], "\xf8", 1, 0);
        }
    }
    for (long n = 0; n < ticks * count; n++) printf("%lld\n", late[n]);
    return 0;
}
