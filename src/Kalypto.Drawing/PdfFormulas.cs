using Kalypto.Drawing.Native;

namespace Kalypto.Drawing;

/// <summary>Finds what a PDF draws by formulas: masks that a function bends, and gradients of a calculator (ISO 32000-1, 7.10.5 and 11.6.5.2). They are drawn otherwise than they mean when its pages become shapes.</summary>
internal static class PdfFormulas
{
    private const int MostObjects = 5_000;
    private const int Calculator = 4;

    /// <summary>True when there are any.</summary>
    public static bool AreIn(Qpdf.Document pdf)
    {
        var open = new Stack<Qpdf.Item>();
        var seen = new HashSet<int>();
        for (var i = 0; i < pdf.Pages; i++)
        {
            open.Push(PdfGroups.ResourcesOf(pdf.Page(i)));
        }
        while (open.TryPop(out var resources) && seen.Count < MostObjects)
        {
            foreach (var state in resources["ExtGState"].Values())
            {
                if (state["SMask"] is var mask && mask["TR"] is var bends && (bends.IsDictionary || bends.IsStream))
                {
                    return true;
                }
            }
            foreach (var shading in resources["Pattern"].Values().Select(p => p["Shading"]).Concat(resources["Shading"].Values()))
            {
                if (FunctionsOf(shading["Function"]).Any(f => f["FunctionType"].Number == Calculator))
                {
                    return true;
                }
            }
            // What stands inside has resources of its own.
            foreach (var inner in resources["XObject"].Values().Concat(resources["Pattern"].Values()).Concat(resources["ExtGState"].Values().Select(s => s["SMask"]["G"])).Where(x => x.ObjectNumber > 0 && seen.Add(x.ObjectNumber)))
            {
                if (inner["Resources"] is { IsDictionary: true } own)
                {
                    open.Push(own);
                }
            }
        }
        return false;
    }

    private static IEnumerable<Qpdf.Item> FunctionsOf(Qpdf.Item function)
    {
        foreach (var one in function.Count > 0 ? Enumerable.Range(0, Math.Min(function.Count, 20)).Select(i => function[i]) : [function])
        {
            yield return one;
            for (var i = 0; i < Math.Min(one["Functions"].Count, 100); i++)
            {
                yield return one["Functions"][i];
            }
        }
    }
}
