// The yardstick of `bench graph`: the measures of src/lib/core/graph, the same algorithms, in C++ -O3. Reads a graph
// (nodes, links, starts of rows, targets: 32-bit little-endian), prints one line "name milliseconds" per measure and
// the sums by which both sides are compared.
#include <chrono>
#include <cmath>
#include <cstdint>
#include <cstdio>
#include <cstdlib>
#include <numeric>
#include <vector>

using u32 = uint32_t;
using i32 = int32_t;
struct Links { u32 nodes; std::vector<u32> start, targets; };

static double now() {
    return std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now().time_since_epoch()).count();
}
static double begun;
static void lap(const char* name) { double t = now(); std::printf("%s %.3f\n", name, t - begun); begun = now(); }

static Links distinct(const Links& raw) {
    Links out{raw.nodes, std::vector<u32>(raw.nodes + 1), std::vector<u32>(raw.targets.size())};
    std::vector<i32> mark(raw.nodes, -1);
    u32 length = 0;
    for (u32 n = 0; n < raw.nodes; n++) {
        mark[n] = n;
        for (u32 s = raw.start[n]; s < raw.start[n + 1]; s++) {
            u32 t = raw.targets[s];
            if (mark[t] == (i32)n) continue;
            mark[t] = n;
            out.targets[length++] = t;
        }
        out.start[n + 1] = length;
    }
    out.targets.resize(length);
    return out;
}
static Links reversed(const Links& in) {
    Links back{in.nodes, std::vector<u32>(in.nodes + 1), std::vector<u32>(in.targets.size())};
    for (u32 t : in.targets) back.start[t + 1]++;
    for (u32 n = 0; n < in.nodes; n++) back.start[n + 1] += back.start[n];
    std::vector<u32> fill = back.start;
    for (u32 n = 0; n < in.nodes; n++)
        for (u32 s = in.start[n]; s < in.start[n + 1]; s++) back.targets[fill[in.targets[s]]++] = n;
    return back;
}
static void depths(const Links& out, std::vector<i32>& depth, std::vector<i32>& parent) {
    depth.assign(out.nodes, -1);
    parent.assign(out.nodes, -1);
    std::vector<u32> level{0}, next;
    depth[0] = 0;
    for (i32 d = 1; !level.empty(); d++) {
        next.clear();
        for (u32 n : level)
            for (u32 s = out.start[n]; s < out.start[n + 1]; s++) {
                u32 t = out.targets[s];
                if (depth[t] != -1) continue;
                depth[t] = d;
                parent[t] = n;
                next.push_back(t);
            }
        level.swap(next);
    }
}
static std::vector<double> rank(const Links& into, const std::vector<u32>& outgoing, int& sweeps) {
    u32 n = into.nodes;
    std::vector<double> x(n, 1.0 / n), carried(n), per(n);
    for (u32 v = 0; v < n; v++) { per[v] = outgoing[v] ? 1.0 / outgoing[v] : 0; carried[v] = x[v] * per[v]; }
    double change = 1;
    for (sweeps = 0; change >= 1e-10; sweeps++) {
        double dangling = 0, sum = 0;
        for (u32 v = 0; v < n; v++) if (!outgoing[v]) dangling += x[v];
        double base = (0.15 + 0.85 * dangling) / n;
        change = 0;
        for (u32 v = 0; v < n; v++) {
            double got = 0;
            for (u32 s = into.start[v]; s < into.start[v + 1]; s++) got += carried[into.targets[s]];
            double value = base + 0.85 * got;
            change += std::fabs(value - x[v]);
            x[v] = value;
            carried[v] = value * per[v];
            sum += value;
        }
        double scale = 1 / sum;
        for (u32 v = 0; v < n; v++) { x[v] *= scale; carried[v] *= scale; }
        change += std::fabs(1 - scale);
    }
    return x;
}
static std::vector<u32> reach(const Links& out, std::vector<char>& seen) {
    std::vector<u32> queue{0};
    seen.assign(out.nodes, 0);
    seen[0] = 1;
    for (size_t at = 0; at < queue.size(); at++) {
        u32 n = queue[at];
        for (u32 s = out.start[n]; s < out.start[n + 1]; s++) {
            u32 t = out.targets[s];
            if (!seen[t]) { seen[t] = 1; queue.push_back(t); }
        }
    }
    return queue;
}
static u32 strong(const Links& out, const Links& into) {
    u32 n = out.nodes;
    std::vector<i32> label(n, -1);
    std::vector<char> seen;
    std::vector<u32> order = reach(out, seen), rest, queue;
    label[0] = 0;
    u32 count = 1;
    for (size_t at = 1; at < order.size(); at++) {
        u32 v = order[at];
        bool back = false;
        for (u32 s = out.start[v]; s < out.start[v + 1] && !back; s++) back = label[out.targets[s]] == 0;
        if (back) label[v] = 0; else rest.push_back(v);
    }
    std::vector<char> isRest(n, 0);
    for (u32 v : rest) isRest[v] = 1;
    for (u32 v : rest)
        for (u32 s = out.start[v]; s < out.start[v + 1]; s++)
            if (label[out.targets[s]] == 0) { label[v] = 0; queue.push_back(v); break; }
    while (!queue.empty()) {
        u32 v = queue.back();
        queue.pop_back();
        for (u32 s = into.start[v]; s < into.start[v + 1]; s++) {
            u32 u = into.targets[s];
            if (isRest[u] && label[u] != 0) { label[u] = 0; queue.push_back(u); }
        }
    }
    std::vector<i32> index(n, -1), low(n), open, path;
    std::vector<u32> slot(n);
    i32 next = 0;
    for (u32 root = 0; root < n; root++) {
        if (label[root] != -1 || index[root] != -1) continue;
        path.push_back(root);
        index[root] = low[root] = next++;
        slot[root] = out.start[root];
        open.push_back(root);
        while (!path.empty()) {
            u32 v = path.back();
            bool down = false;
            while (slot[v] < out.start[v + 1]) {
                u32 t = out.targets[slot[v]++];
                if (label[t] != -1) continue;
                if (index[t] == -1) {
                    index[t] = low[t] = next++;
                    slot[t] = out.start[t];
                    open.push_back(t);
                    path.push_back(t);
                    down = true;
                    break;
                }
                if (index[t] < low[v]) low[v] = index[t];
            }
            if (down) continue;
            if (low[v] == index[v]) {
                count++;
                for (u32 m = n; m != v;) { m = open.back(); open.pop_back(); label[m] = v; }
            }
            path.pop_back();
            if (!path.empty() && low[v] < low[path.back()]) low[path.back()] = low[v];
        }
    }
    return count;
}
static u32 weak(const Links& out) {
    u32 n = out.nodes;
    std::vector<u32> parent(n);
    std::iota(parent.begin(), parent.end(), 0u);
    std::vector<char> seen;
    for (u32 v : reach(out, seen)) parent[v] = 0;
    auto root = [&](u32 v) { while (parent[v] != v) { parent[v] = parent[parent[v]]; v = parent[v]; } return v; };
    for (u32 v = 0; v < n; v++) {
        if (seen[v]) continue;
        for (u32 s = out.start[v]; s < out.start[v + 1]; s++) {
            u32 a = root(v), b = root(out.targets[s]);
            if (a != b) parent[a > b ? a : b] = a > b ? b : a;
        }
    }
    u32 count = 0;
    for (u32 v = 0; v < n; v++) count += root(v) == v;
    return count;
}
static uint64_t dominatorLoads(const Links& out, const Links& into) {
    u32 n = out.nodes;
    std::vector<i32> number(n, 0), node(n + 1, -1), parent(n + 1, 0), path(n + 1);
    std::vector<u32> slot(n);
    i32 count = 1, depth = 0;
    number[0] = count; node[count] = 0; parent[count++] = 0; slot[0] = out.start[0]; path[0] = 0;
    while (depth >= 0) {
        u32 v = path[depth];
        while (slot[v] < out.start[v + 1] && number[out.targets[slot[v]]] != 0) slot[v]++;
        if (slot[v] == out.start[v + 1]) { depth--; continue; }
        u32 t = out.targets[slot[v]++];
        number[t] = count; node[count] = t; parent[count++] = number[v];
        slot[t] = out.start[t];
        path[++depth] = t;
    }
    std::vector<i32> semi(count), label(count), up(parent.begin(), parent.begin() + count), stack(count);
    for (i32 i = 0; i < count; i++) semi[i] = label[i] = i;
    semi[1] = label[1] = 0;
    for (i32 i = count - 1; i > 1; i--) {
        i32 best = parent[i];
        u32 v = node[i];
        for (u32 s = into.start[v]; s < into.start[v + 1]; s++) {
            i32 u = number[into.targets[s]];
            if (u == 0) continue;
            i32 found = u;
            if (u > i) {
                i32 length = 0, at = u;
                while (up[at] > i) { stack[length++] = at; at = up[at]; }
                i32 smallest = label[at], top = up[at];
                while (length > 0) {
                    i32 lower = stack[--length];
                    if (label[lower] < smallest) smallest = label[lower]; else label[lower] = smallest;
                    up[lower] = top;
                }
                found = smallest;
            }
            if (found < best) best = found;
        }
        semi[i] = label[i] = best;
    }
    std::vector<i32> nearest(parent.begin(), parent.begin() + count);
    for (i32 i = 1; i < count; i++) { i32 a = nearest[i]; while (a > semi[i]) a = nearest[a]; nearest[i] = a; }
    std::vector<u32> load(count, 0);
    uint64_t sum = 0;
    for (i32 i = count - 1; i > 0; i--) { if (nearest[i] > 0) load[nearest[i]] += load[i] + 1; sum += load[i]; }
    return sum;
}

int main(int, char** argv) {
    FILE* file = std::fopen(argv[1], "rb");
    u32 head[2];
    if (!file || std::fread(head, 4, 2, file) != 2) return 1;
    Links raw{head[0], std::vector<u32>(head[0] + 1), std::vector<u32>(head[1])};
    if (std::fread(raw.start.data(), 4, raw.start.size(), file) != raw.start.size()) return 1;
    if (std::fread(raw.targets.data(), 4, raw.targets.size(), file) != raw.targets.size()) return 1;
    std::fclose(file);
    double all = now();
    begun = all;
    Links out = distinct(raw), into = reversed(out);
    lap("rows");
    std::vector<i32> depth, parent;
    depths(out, depth, parent);
    lap("depth");
    std::vector<u32> outgoing(out.nodes);
    for (u32 n = 0; n < out.nodes; n++) outgoing[n] = out.start[n + 1] - out.start[n];
    int sweeps;
    std::vector<double> x = rank(into, outgoing, sweeps);
    lap("rank");
    u32 strongs = strong(out, into);
    lap("strong");
    u32 weaks = weak(out);
    lap("weak");
    uint64_t load = dominatorLoads(out, into);
    lap("dominators");
    std::printf("all %.3f\n", now() - all);
    int64_t depthSum = 0;
    for (i32 d : depth) depthSum += d;
    std::printf("sums %zu %lld %.8g %d %u %u %llu\n", out.targets.size(), (long long)depthSum, x[0] * out.nodes, sweeps, strongs, weaks, (unsigned long long)load);
}
