using Kalypto.Core.Designs;

namespace Kalypto.Core.Comparing;

/// <summary>What is drawn and written in the containers of a draft, and how they and their parts are called; each asked once.</summary>
internal sealed class RowContents(Traits traits)
{
    private readonly Dictionary<int, HashSet<int>> known = [];
    private readonly Dictionary<int, Dictionary<int, int>> counts = [];

    /// <summary>The containers directly in a layer that hold something.</summary>
    public List<int> RowsIn(int around) => [.. traits.Layers[around].Children.Select(c => c.Ordinal).Where(IsRow)];

    /// <summary>True for a container that holds something.</summary>
    public bool IsRow(int layer) => traits.IsContainer(layer) && traits.End[layer] - layer > 1;

    /// <summary>What a row holds.</summary>
    public HashSet<int> Of(int row)
    {
        if (!known.TryGetValue(row, out var numbers))
        {
            known[row] = numbers = [];
            for (var o = row; o < traits.End[row]; o++)
            {
                if (traits.Name[o] > 0)
                {
                    numbers.Add(traits.Name[o]);
                }
                if (!traits.IsContainer(o))
                {
                    numbers.Add(traits.Layers[o].Content == LayerContent.Text ? traits.Outline[o] : traits.Print[o]);
                }
            }
        }
        return numbers;
    }

    /// <summary>What a row holds that no other row beside it holds.</summary>
    public HashSet<int> OnlyIn(int around, int row)
    {
        if (!counts.TryGetValue(around, out var held))
        {
            counts[around] = held = RowsIn(around).SelectMany(Of).CountBy(n => n).ToDictionary();
        }
        return [.. Of(row).Where(n => held.GetValueOrDefault(n) <= 1)];
    }
}
