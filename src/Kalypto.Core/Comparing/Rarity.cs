namespace Kalypto.Core.Comparing;

/// <summary>How much it says that two layers share something: the fewer share it, the more.</summary>
internal sealed class Rarity
{
    /// <summary>In a drawing of three layers a name says as much as in one of sixty.</summary>
    public const int Fewest = 60;

    private readonly Dictionary<int, int> counts = [];
    private readonly double all;

    public Rarity(Traits old, Traits now)
    {
        all = Math.Max(Fewest, Math.Max(old.Count, now.Count));
        foreach (var traits in new[] { old, now })
        {
            var here = new Dictionary<int, int>();
            foreach (var number in new[] { traits.Print, traits.Form, traits.Outline, traits.Own, traits.Name, traits.Id }.SelectMany(n => n))
            {
                here[number] = here.GetValueOrDefault(number) + 1;
            }
            foreach (var (number, count) in here)
            {
                counts[number] = Math.Max(counts.GetValueOrDefault(number), count);
            }
        }
    }

    /// <summary>The logarithm of how many times less likely it is to meet by chance; at most 7.</summary>
    public double Of(int number) => Math.Min(7, Math.Log(all / counts[number]));
}
