using Kalypto.Core.Designs;

namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>Colours in their shortest form; half transparent ones as colour and opacity, which every reader knows.</summary>
internal sealed class ShortColours : ISvgRule
{
    public void Apply(ExportNode root, int decimals) => Walk(root, new(1, 1));

    /// <summary>What opacity reaches an element from around it.</summary>
    private sealed record Around(double Fill, double Stroke)
    {
        public Around Inside(ExportNode node) => new(Numbers.Length(node["fill-opacity"]) ?? Fill, Numbers.Length(node["stroke-opacity"]) ?? Stroke);

        public double Of(string name) => name switch { "fill" => Fill, "stroke" => Stroke, _ => 1 };
    }

    private static void Walk(ExportNode node, Around around)
    {
        foreach (var (name, value) in node.Attributes.Where(a => Properties.Colours.Contains(a.Key)).ToList())
        {
            if (value.Equals("transparent", StringComparison.OrdinalIgnoreCase) && name is "fill" or "stroke")
            {
                node[name] = "none";
            }
            else if (Colour.Parse(value) is { } colour)
            {
                Shorten(node, name, value, colour, around.Of(name));
            }
        }
        var inside = around.Inside(node);
        foreach (var child in node.Elements)
        {
            Walk(child, inside);
        }
    }

    private static void Shorten(ExportNode node, string name, string value, Colour colour, double around)
    {
        if (colour.Alpha == 1)
        {
            node[name] = colour.ToShortText();
        }
        else if (OpacityOf(name) is not { } opacity)
        {
            // There is nowhere else to say it.
        }
        else if (!node.Elements.Any() && node.Name != "use")
        {
            node[name] = colour.ToShortText();
            node[opacity] = Numbers.Brief(colour.Alpha * (Numbers.Length(node[opacity]) ?? around), 3);
        }
        else if (node.Name is "g" or "svg")
        {
            // The opacity would reach what has a colour of its own, so each element that takes the colour says both.
            foreach (var child in node.Elements.Where(c => c[name] is null))
            {
                child[name] = value;
            }
            node[name] = null;
        }
    }

    private static string? OpacityOf(string name) => name switch
    {
        "stop-color" => "stop-opacity",
        "flood-color" => "flood-opacity",
        "fill" => "fill-opacity",
        "stroke" => "stroke-opacity",
        _ => null,
    };
}
