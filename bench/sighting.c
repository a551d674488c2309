/* The model of packages/core/src/water/leg/swim.ts as one writes it in C: a table of normal deviates, a sine and a cosine
   and the distance at every stroke. Prints millions of strokes and milliseconds. For bench/sighting.ts only. */
#include <math.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

#define TABLE 4096
static double normal_table[TABLE];
static uint32_t bits = 1;

static uint32_t next(void) {
  bits ^= bits << 13;
  bits ^= bits >> 17;
  bits ^= bits << 5;
  return bits;
}
static double normal(void) { return normal_table[(next() >> 20) & (TABLE - 1)]; }

/* Quantiles by bisection of the distribution function. */
static void fill(void) {
  for (int i = 0; i < TABLE; i++) {
    double low = -6, high = 6;
    for (int k = 0; k < 60; k++) {
      double middle = (low + high) / 2;
      if (0.5 * erfc(-middle / sqrt(2)) < (i + 0.5) / TABLE) low = middle; else high = middle;
    }
    normal_table[i] = low;
  }
}

int main(int count, char **given) {
  if (count != 2) return 2;
  const int tracks = atoi(given[1]);
  const double distance = 1500, length = 1, bias = M_PI / 180, sd = 2 * M_PI / 180, aim_sd = M_PI / 180;
  const double sees = 0.9, radius = 3, across = 0.05;
  const int most = 6 * 1500 + 100;
  fill();
  struct timespec from, to;
  clock_gettime(CLOCK_MONOTONIC, &from);
  long strokes = 0, looks = 0;
  for (int interval = 2; interval <= 20; interval++)
    for (int track = 0; track < tracks; track++) {
      bits = ((uint32_t)track * 64u + (uint32_t)interval) * 2654435761u | 1u;
      for (int warm = 0; warm < 4; warm++) next();
      double x = 0, y = 0, heading = 0;
      int run = 0, misses = 0;
      for (int n = 0; n < most; n++) {
        const double dx = distance - x;
        if (sqrt(dx * dx + y * y) <= radius) break;
        if (run == 0) {
          looks++;
          if ((next() >> 8) * 0x1p-24 < sees) {
            heading = atan2(-y, dx) + aim_sd * normal();
            misses = 0;
            run = interval;
          } else {
            misses++;
            run = misses <= 3 ? (interval < 2 ? interval : 2) : interval;
          }
        }
        heading += bias + sd * normal();
        x += length * cos(heading);
        y += length * sin(heading) + across * length;
        strokes++;
        run--;
      }
    }
  clock_gettime(CLOCK_MONOTONIC, &to);
  const double ms = (to.tv_sec - from.tv_sec) * 1e3 + (to.tv_nsec - from.tv_nsec) / 1e6;
  printf("%.6f %.3f %ld\n", strokes / 1e6, ms, looks);
  return 0;
}
