using System.Diagnostics;
using System.Globalization;

namespace Kalypto.Bench;

/// <summary>Times and prints.</summary>
internal static class Report
{
    public static void Line(string what, string measured, string target, bool met) =>
        Console.WriteLine($"{what,-56} {measured,9}    {target}{(met ? "" : "   MISSED")}");

    public static string Text(double number) => number.ToString("0.00", CultureInfo.InvariantCulture);

    /// <summary>The median time of several runs of two things in turn, so that a noisy machine disturbs both.</summary>
    public static (double A, double B) Medians(int runs, Action a, Action b)
    {
        a();
        b();
        var (times, others) = (new List<double>(), new List<double>());
        for (var i = 0; i < runs; i++)
        {
            times.Add(Seconds(a));
            others.Add(Seconds(b));
        }
        return (times.Order().ElementAt(runs / 2), others.Order().ElementAt(runs / 2));
    }

    public static double Seconds(Action action)
    {
        var watch = Stopwatch.StartNew();
        action();
        return watch.Elapsed.TotalSeconds;
    }

    public static async Task<double> SecondsAsync(Func<Task> action)
    {
        var watch = Stopwatch.StartNew();
        await action();
        return watch.Elapsed.TotalSeconds;
    }
}
