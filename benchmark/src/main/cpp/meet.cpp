// Two spheres of N quads each that pass through one another, joined and taken away from each other
// by CGAL's corefinement: what MeetBenchmark is measured beside (docs/benchmarks.md). It divides
// into triangles, so each quad is given to it as two.
//
//   g++ -O3 -DNDEBUG -march=native meet.cpp -lgmp -lmpfr -o meet && ./meet 100000
#include <CGAL/Exact_predicates_inexact_constructions_kernel.h>
#include <CGAL/Polygon_mesh_processing/corefinement.h>
#include <CGAL/Surface_mesh.h>

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <vector>

using Kernel = CGAL::Exact_predicates_inexact_constructions_kernel;
using Mesh = CGAL::Surface_mesh<Kernel::Point_3>;
namespace PMP = CGAL::Polygon_mesh_processing;

static Mesh sphere(int quads, double x, double y, double z) {
  Mesh mesh;
  int up = (int)std::round(std::sqrt(quads / 2.0));
  int around = 2 * up;
  std::vector<std::vector<Mesh::Vertex_index>> rows(up + 1);
  for (int k = 0; k <= up; k++) {
    double polar = M_PI * (k + 0.5) / (up + 1);
    for (int i = 0; i < around; i++) {
      double at = 2 * M_PI * i / around;
      double r = std::sin(polar);
      rows[k].push_back(mesh.add_vertex(
          {x + r * std::cos(at), y + r * std::sin(at), z - std::cos(polar)}));
    }
  }
  auto triangle = [&](Mesh::Vertex_index a, Mesh::Vertex_index b, Mesh::Vertex_index c) {
    mesh.add_face(a, b, c);
  };
  for (int i = 1; i + 1 < around; i++) {
    triangle(rows[0][0], rows[0][i + 1], rows[0][i]);
    triangle(rows[up][0], rows[up][i], rows[up][i + 1]);
  }
  for (int k = 0; k < up; k++) {
    for (int i = 0; i < around; i++) {
      int next = (i + 1) % around;
      triangle(rows[k][i], rows[k][next], rows[k + 1][next]);
      triangle(rows[k][i], rows[k + 1][next], rows[k + 1][i]);
    }
  }
  return mesh;
}

int main(int argc, char** argv) {
  int quads = argc > 1 ? std::atoi(argv[1]) : 100000;
  int rounds = argc > 2 ? std::atoi(argv[2]) : 7;
  Mesh a = sphere(quads, 0, 0, 0);
  Mesh b = sphere(quads, 0.61, 0.37, 0.23);
  for (int way = 0; way < 2; way++) {
    std::vector<double> times;
    std::size_t faces = 0;
    for (int i = 0; i < rounds; i++) {
      // It alters what it is given.
      Mesh one = a, two = b, out;
      auto start = std::chrono::steady_clock::now();
      bool made = way == 0 ? PMP::corefine_and_compute_union(one, two, out)
                           : PMP::corefine_and_compute_difference(one, two, out);
      times.push_back(
          std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - start)
              .count());
      if (!made) return 1;
      faces = out.number_of_faces();
    }
    std::sort(times.begin(), times.end());
    std::printf("%s of %d quads: median %.0f ms, %.0f to %.0f; %zu triangles\n",
                way == 0 ? "join" : "subtract", quads, times[rounds / 2], times.front(),
                times.back(), faces);
  }
}
