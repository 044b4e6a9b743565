using Kalypto.Store.People;
using Microsoft.AspNetCore.Identity;
using QRCoder;

namespace Kalypto.Web.Accounts;

/// <summary>The second factor of accounts: codes of an authenticator by time (RFC 6238), and recovery codes that work once each.</summary>
internal sealed class SecondFactors(UserManager<Account> users, PeopleStore people, SessionStore sessions)
{
    private const int RecoveryCodes = 10;
    private const int PixelsOfModule = 5;
    private const int Group = 4;

    /// <summary>A key that is offered to an authenticator.</summary>
    /// <param name="Key">The key in groups, to be typed.</param>
    /// <param name="Picture">The same with the account as a QR code: the address of an SVG picture.</param>
    public sealed record Offer(string Key, string Picture);

    /// <summary>Makes a new key for an account that has no second factor yet; null when it has one.</summary>
    public async Task<Offer?> BeginAsync(int person)
    {
        if (await users.FindByIdAsync($"{person}") is not { Row.HasSecondFactor: false } account || !(await users.ResetAuthenticatorKeyAsync(account)).Succeeded || await users.GetAuthenticatorKeyAsync(account) is not { } key)
        {
            return null;
        }
        var address = $"otpauth://totp/Kalypto:{Uri.EscapeDataString(account.Row.Email)}?secret={key}&issuer=Kalypto&digits=6";
        using var data = QRCodeGenerator.GenerateQrCode(address, QRCodeGenerator.ECCLevel.M);
        using var code = new SvgQRCode(data);
        return new(string.Join(' ', key.Chunk(Group).Select(c => new string(c))), $"data:image/svg+xml;base64,{Convert.ToBase64String(System.Text.Encoding.UTF8.GetBytes(code.GetGraphic(PixelsOfModule)))}");
    }

    /// <summary>Turns it on for whoever has the key in an authenticator, and ends all other sessions.</summary>
    /// <returns>The recovery codes, which are known only now; null when the code is wrong.</returns>
    public async Task<IReadOnlyList<string>?> TurnOnAsync(int person, int session, string code, CancellationToken cancel)
    {
        if (await users.FindByIdAsync($"{person}") is not { Row.HasSecondFactor: false } account || !await IsOfAuthenticatorAsync(account, code, cancel))
        {
            return null;
        }
        await users.SetTwoFactorEnabledAsync(account, true);
        var codes = await users.GenerateNewTwoFactorRecoveryCodesAsync(account, RecoveryCodes);
        await sessions.EndAllAsync(person, session, cancel);
        return [.. codes ?? []];
    }

    /// <summary>Turns it off.</summary>
    public async Task TurnOffAsync(PersonRow person)
    {
        var account = Account.Of(person);
        account.Row = account.Row with { Authenticator = "", HasSecondFactor = false, Recovery = [] };
        await users.UpdateAsync(account);
    }

    /// <summary>True for a code of the authenticator that was not just used, and for a recovery code, which is used up by it.</summary>
    public async Task<bool> IsRightAsync(PersonRow person, string code, CancellationToken cancel)
    {
        var account = Account.Of(person);
        return await IsOfAuthenticatorAsync(account, code, cancel) || (await users.RedeemTwoFactorRecoveryCodeAsync(account, code.Trim())).Succeeded;
    }

    private async Task<bool> IsOfAuthenticatorAsync(Account account, string code, CancellationToken cancel) =>
        string.Concat(code.Where(char.IsAsciiDigit)) is { Length: 6 } digits && await users.VerifyTwoFactorTokenAsync(account, TokenOptions.DefaultAuthenticatorProvider, digits)
            && await people.UseCodeAsync(account.Row.Id, digits, cancel);
}
