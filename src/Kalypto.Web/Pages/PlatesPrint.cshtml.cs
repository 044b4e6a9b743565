using Kalypto.Application.Handover;
using Kalypto.Application.Packs;
using Kalypto.Core.Designs;
using Kalypto.Core.Handover;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Kalypto.Web.Wording;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;

namespace Kalypto.Web.Pages;

/// <summary>All plates of a delivery with their keys, for paper: a screen a sheet, all that is told as text.</summary>
[Authorize(Policy = nameof(Need.Guest))]
public sealed class PlatesPrintPage(PlanPack plans, OpenDelivery deliveries, BuildStore builds) : HandoverPage(plans, deliveries, builds, "Plates")
{
    /// <summary>The plates.</summary>
    public IReadOnlyList<(PlateModel Plate, IReadOnlyDictionary<int, string> Facts)> Plates { get; private set; } = [];

    /// <summary>Shows them.</summary>
    public async Task<IActionResult> OnGetAsync(int number, CancellationToken cancel)
    {
        if (await OpenAsync(number, cancel) is not { } delivered)
        {
            return NotFound();
        }
        var plates = new List<(PlateModel, IReadOnlyDictionary<int, string>)>();
        foreach (var (row, state) in delivered.Workspace.Designs)
        {
            foreach (var screen in state.Measured.Drawing.Screens)
            {
                if (await Opened.PlateAsync(delivered, row.Id, screen.Root.Ordinal, cancel) is { Pins.IsEmpty: false } plate)
                {
                    plates.Add((PlateModel.Of(delivered, Head, row.Id, plate, null, delivered.Tokens), plate.Pins.ToDictionary(p => p.Number, p => FactsOf(delivered, row.Id, plate, p))));
                }
            }
        }
        Plates = plates;
        return Page();
    }

    private static string FactsOf(Delivered delivered, int design, Plate plate, Pin pin)
    {
        if (plate.Values.GetValueOrDefault(pin.Layer) is { } values)
        {
            return string.Join(" · ", ValueWords.Of(values, delivered.Tokens).Select(v => $"{v.Name} {v.Value}").Prepend($"at {Numbers.Text(values.Box.X, 2)}, {Numbers.Text(values.Box.Y, 2)}"));
        }
        return string.Join(" · ", PlateModel.FilesOfPin(delivered, design, pin).Select(f => $"{f.Path} {f.Width}×{f.Height}"));
    }
}
