# What a work costs, as embrick.bench.Measured reads it.
import resource
import time


def cpu():
    own, children = resource.getrusage(resource.RUSAGE_SELF), resource.getrusage(resource.RUSAGE_CHILDREN)
    return own.ru_utime + own.ru_stime + children.ru_utime + children.ru_stime


def measure(work, repeats):
    """Does a work once more than it is measured."""
    for i in range(-1, int(repeats)):
        used, began = cpu(), time.perf_counter()
        work()
        used, took = cpu() - used, time.perf_counter() - began
        peak = next(line.split()[1] for line in open('/proc/self/status') if line.startswith('VmHWM'))
        if i >= 0:
            print('measured', used, took, peak)
