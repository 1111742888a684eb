/* The yardstick of one pose: a rigid axle on five links by the same Gauss-Newton, plainly in C. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>
#define M 5
#define N 4
#define LEVER 300.0
static double A[M][3], C[M][3], L[M], K[M], E[M], J[M][N], c0[3];
static double look(double z, double roll, const double *u) {
  double sr = sin(roll), cr = cos(roll), sp = sin(u[2]), cp = cos(u[2]), sw = sin(u[3]), cw = cos(u[3]), cost = 0;
  for (int i = 0; i < M; i++) {
    double y1 = cr * A[i][1] - sr * A[i][2], z1 = sr * A[i][1] + cr * A[i][2];
    double x2 = cp * A[i][0] + sp * z1, z2 = cp * z1 - sp * A[i][0];
    double qx = cw * x2 - sw * y1, qy = sw * x2 + cw * y1;
    double dx = qx + c0[0] + u[0] - C[i][0], dy = qy + c0[1] + u[1] - C[i][1], dz = z2 + c0[2] + z - C[i][2];
    double now = sqrt(dx * dx + dy * dy + dz * dz);
    E[i] = now - L[i];
    dx /= now; dy /= now; dz /= now;
    J[i][0] = dx; J[i][1] = dy;
    J[i][2] = dx * cw * z2 + dy * sw * z2 - dz * x2;
    J[i][3] = dy * qx - dx * qy;
    cost += K[i] * E[i] * E[i];
  }
  return cost;
}
static int step(double *s) {
  double a[N][N], b[N]; memset(a, 0, sizeof a); memset(b, 0, sizeof b);
  for (int i = 0; i < M; i++) for (int j = 0; j < N; j++) {
    double f = J[i][j] * K[i] / (j < 2 ? 1 : LEVER);
    b[j] -= f * E[i];
    for (int k = 0; k <= j; k++) a[j][k] += f * J[i][k] / (k < 2 ? 1 : LEVER);
  }
  double top = 0; for (int j = 0; j < N; j++) if (a[j][j] > top) top = a[j][j];
  for (int j = 0; j < N; j++) for (int i = j; i < N; i++) {
    double t = a[i][j]; for (int k = 0; k < j; k++) t -= a[i][k] * a[j][k];
    if (i > j) a[i][j] = t / a[j][j]; else if (!(t > 1e-9 * top)) return 0; else a[j][j] = sqrt(t);
  }
  for (int i = 0; i < N; i++) { double t = b[i]; for (int k = 0; k < i; k++) t -= a[i][k] * b[k]; b[i] = t / a[i][i]; }
  for (int i = N - 1; i >= 0; i--) { double t = b[i]; for (int k = i + 1; k < N; k++) t -= a[k][i] * b[k]; b[i] = t / a[i][i]; }
  for (int i = 0; i < N; i++) s[i] = b[i] / (i < 2 ? 1 : LEVER);
  return 1;
}
static int solve(double z, double roll, double *u) {
  double cost = look(z, roll, u), s[N], n[N];
  for (int it = 1; it <= 60; it++) {
    if (!step(s)) return -it;
    double part = 1, tried;
    for (;;) { for (int i = 0; i < N; i++) n[i] = u[i] + part * s[i]; tried = look(z, roll, n); if (!(tried > cost * (1 + 1e-9) + 1e-18 && part > 1e-4)) break; part /= 2; }
    double size = 0; for (int i = 0; i < N; i++) { double d = fabs(s[i] * part) * (i < 2 ? 1 : 1000); if (d > size) size = d; u[i] = n[i]; }
    cost = tried; if (size < 1e-10) return it;
  }
  return 60;
}
int main(int argc, char **argv) {
  int count = atoi(argv[1]);
  for (int k = 0; k < 3; k++) c0[k] = atof(argv[2 + k]);
  char **v = argv + 5;
  for (int i = 0; i < M; i++) { for (int k = 0; k < 3; k++) { A[i][k] = atof(v[6 * i + k]) - c0[k]; C[i][k] = atof(v[6 * i + 3 + k]); }
    K[i] = 1; double d = 0; for (int k = 0; k < 3; k++) d += pow(A[i][k] + c0[k] - C[i][k], 2); L[i] = sqrt(d); }
  double u[N] = {0}, sum = 0; long its = 0;
  struct timespec a, b; clock_gettime(CLOCK_MONOTONIC, &a);
  for (int i = 0; i < count; i++) { its += solve(-80 + 160.0 * (i % 400) / 400, 0.02 * sin(i / 50.0), u); sum += u[0]; }
  clock_gettime(CLOCK_MONOTONIC, &b);
  printf("%.6f %.6f %.9f\n", ((b.tv_sec - a.tv_sec) * 1e9 + b.tv_nsec - a.tv_nsec) / 1000 / count, (double)its / count, sum);
}
