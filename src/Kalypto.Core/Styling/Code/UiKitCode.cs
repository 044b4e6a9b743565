using System.Text;
using Kalypto.Core.Designs;
using static Kalypto.Core.Styling.Code.CodeText;

namespace Kalypto.Core.Styling.Code;

/// <summary>Values as UIKit in Swift.</summary>
public sealed class UiKitCode : IValueCode
{
    /// <inheritdoc/>
    public string Id => "uikit";

    /// <inheritdoc/>
    public string Name => "UIKit";

    /// <inheritdoc/>
    public string Write(LayerValues values, string name, ITokenNames tokens)
    {
        var code = new StringBuilder();
        foreach (var note in Notes(values))
        {
            code.Append("// ").Append(note).Append('\n');
        }
        var view = Member(name);
        void Line(string text) => code.Append(text).Append('\n');
        if (values.Text is { } text)
        {
            var type = text.Main.Type;
            Line($"let {view} = UILabel()");
            Line($"{view}.font = {FontOf(type)}");
            Line($"{view}.textColor = {(text.Main.Fill is SolidFill solid ? Of(solid.Colour) : ".clear")}");
            if (text.Lines.Length > 1)
            {
                Line($"{view}.numberOfLines = 0");
            }
            if (text.Anchor != "start")
            {
                Line($"{view}.textAlignment = .{(text.Anchor == "middle" ? "center" : "right")}");
            }
            var attributes = new List<string>();
            if (type.LetterSpacing != 0)
            {
                attributes.Add($".kern: {N(type.LetterSpacing)}");
            }
            if (type.LineHeight is { } height)
            {
                Line("let lines = NSMutableParagraphStyle()");
                Line($"lines.minimumLineHeight = {N(height)}");
                Line($"lines.maximumLineHeight = {N(height)}");
                attributes.Add(".paragraphStyle: lines");
            }
            if (type.Decoration is "underline" or "line-through")
            {
                attributes.Add($".{(type.Decoration == "underline" ? "underlineStyle" : "strikethroughStyle")}: NSUnderlineStyle.single.rawValue");
            }
            Line(attributes.Count == 0 ? $"{view}.text = {Quoted(text.Words)}" : $"{view}.attributedText = NSAttributedString(string: {Quoted(text.Words)}, attributes: [{string.Join(", ", attributes)}])");
        }
        else
        {
            Line($"let {view} = UIView(frame: CGRect(x: {N(values.Box.X)}, y: {N(values.Box.Y)}, width: {N(values.Box.Width)}, height: {N(values.Box.Height)}))");
            Fill(values, view, Line);
            Corners(values.Radii, view, Line);
            if (values.Border is { Fill: SolidFill line } border)
            {
                Line($"{view}.layer.borderWidth = {N(border.Width)}");
                Line($"{view}.layer.borderColor = {Of(line.Colour)}.cgColor");
            }
        }
        if (values.Shadows.FirstOrDefault(s => !s.IsInside) is { Colour.Alpha: > 0 } shadow)
        {
            Line($"{view}.layer.shadowColor = {Of(shadow.Colour with { Alpha = 1 })}.cgColor");
            Line($"{view}.layer.shadowOpacity = {N(shadow.Colour.Alpha)}");
            Line($"{view}.layer.shadowRadius = {N(shadow.Blur / 2)}");
            Line($"{view}.layer.shadowOffset = CGSize(width: {N(shadow.X)}, height: {N(shadow.Y)})");
        }
        if (values.Opacity < 1)
        {
            Line($"{view}.alpha = {N(values.Opacity)}");
        }
        if (values.Turn != 0)
        {
            Line($"{view}.transform = CGAffineTransform(rotationAngle: {N(values.Turn)} * .pi / 180)");
        }
        return code.ToString().TrimEnd('\n');
    }

    private static string Of(Colour colour) =>
        $"UIColor(red: {Numbers.Text(colour.Red / 255.0, 3)}, green: {Numbers.Text(colour.Green / 255.0, 3)}, blue: {Numbers.Text(colour.Blue / 255.0, 3)}, alpha: {N(colour.Alpha)})";

    private static string FontOf(TypeStyle type)
    {
        var weight = type.Weight switch { <= 150 => "ultraLight", <= 250 => "thin", <= 350 => "light", <= 450 => "regular", <= 550 => "medium", <= 650 => "semibold", <= 750 => "bold", <= 850 => "heavy", _ => "black" };
        if (type.Family.Length == 0)
        {
            return $".systemFont(ofSize: {N(type.Size)}, weight: .{weight})";
        }
        return $"UIFont(descriptor: UIFontDescriptor(fontAttributes: [.family: {Quoted(type.Family)}, .traits: [UIFontDescriptor.TraitKey.weight: UIFont.Weight.{weight}]]), size: {N(type.Size)})";
    }

    private static void Fill(LayerValues values, string view, Action<string> line)
    {
        switch (values.Fill)
        {
            case SolidFill solid:
                line($"{view}.backgroundColor = {Of(solid.Colour)}");
                break;
            case LinearFill linear when GradientLine.Of(linear, values.Box) is var along:
                line("let fill = CAGradientLayer()");
                line($"fill.frame = {view}.bounds");
                line($"fill.colors = [{string.Join(", ", along.Stops.Select(s => Of(s.Colour) + ".cgColor"))}]");
                line($"fill.locations = [{string.Join(", ", along.Stops.Select(s => N(s.At)))}]");
                line($"fill.startPoint = CGPoint(x: {N(along.FromX)}, y: {N(along.FromY)})");
                line($"fill.endPoint = CGPoint(x: {N(along.ToX)}, y: {N(along.ToY)})");
                line($"{view}.layer.insertSublayer(fill, at: 0)");
                break;
            case RadialFill radial:
                line("let fill = CAGradientLayer()");
                line("fill.type = .radial");
                line($"fill.frame = {view}.bounds");
                line($"fill.colors = [{string.Join(", ", radial.Stops.Select(s => Of(s.Colour) + ".cgColor"))}]");
                line($"fill.locations = [{string.Join(", ", radial.Stops.Select(s => N(s.At)))}]");
                line($"fill.startPoint = CGPoint(x: {N(radial.X / values.Box.Width)}, y: {N(radial.Y / values.Box.Height)})");
                // Its end is the corner of a box around the outermost ellipse.
                line($"fill.endPoint = CGPoint(x: {N((radial.X + radial.Across) / values.Box.Width)}, y: {N((radial.Y + radial.Down) / values.Box.Height)})");
                line($"{view}.layer.insertSublayer(fill, at: 0)");
                break;
        }
    }

    private static void Corners(Radii radii, string view, Action<string> line)
    {
        if (radii.AreNone)
        {
            return;
        }
        var largest = Math.Max(Math.Max(radii.UpperLeft, radii.UpperRight), Math.Max(radii.LowerLeft, radii.LowerRight));
        line($"{view}.layer.cornerRadius = {N(largest)}");
        if (!radii.AreOne)
        {
            // One radius a layer: the corners that have it.
            var corners = new[] { (radii.UpperLeft, "layerMinXMinYCorner"), (radii.UpperRight, "layerMaxXMinYCorner"), (radii.LowerRight, "layerMaxXMaxYCorner"), (radii.LowerLeft, "layerMinXMaxYCorner") };
            line($"{view}.layer.maskedCorners = [{string.Join(", ", corners.Where(c => c.Item1 > 0).Select(c => "." + c.Item2))}]");
        }
    }
}
