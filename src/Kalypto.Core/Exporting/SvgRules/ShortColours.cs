using Kalypto.Core.Designs;

namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>Colours in their shortest form; half transparent ones as colour and opacity, which every reader knows.</summary>
internal sealed class ShortColours : ISvgRule
{
    public void Apply(ExportNode root, int decimals)
    {
        foreach (var node in root.SelfAndDescendants())
        {
            foreach (var (name, value) in node.Attributes.Where(a => Properties.Colours.Contains(a.Key)).ToList())
            {
                if (value.Equals("transparent", StringComparison.OrdinalIgnoreCase) && name is "fill" or "stroke")
                {
                    node[name] = "none";
                }
                else if (Colour.Parse(value) is { } colour)
                {
                    var opacity = name switch { "stop-color" => "stop-opacity", "flood-color" => "flood-opacity", "fill" => "fill-opacity", "stroke" => "stroke-opacity", _ => null };
                    if (colour.Alpha < 1 && opacity is null)
                    {
                        continue;
                    }
                    node[name] = colour.ToShortText();
                    if (colour.Alpha < 1)
                    {
                        node[opacity!] = Numbers.Brief(colour.Alpha * (Numbers.Length(node[opacity!]) ?? 1), 3);
                    }
                }
            }
        }
    }
}
