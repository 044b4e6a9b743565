using Kalypto.Core.Deciding;
using Kalypto.Core.Styling;

namespace Kalypto.Core.Tests.Styling;

/// <summary>Reads the values of the first layer of a drawing of 100 by 100.</summary>
internal static class Values
{
    public static LayerValues Of(string inside, string layer = "it", double drawnAt = 1)
    {
        var measured = Svg.Measure(inside, "viewBox='0 0 100 100'");
        var design = new DesignState(1, "Design", drawnAt, measured, new Dictionary<int, Mark>());
        return new ValuesReader(design, measured.Drawing.Screens[0]).Of(measured.Drawing.Layer(layer))!;
    }
}
