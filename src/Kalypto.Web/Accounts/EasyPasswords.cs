using Microsoft.AspNetCore.Identity;

namespace Kalypto.Web.Accounts;

/// <summary>Refuses passwords that are easy to guess, whoever asks Identity for one.</summary>
internal sealed class EasyPasswords : IPasswordValidator<Account>
{
    public Task<IdentityResult> ValidateAsync(UserManager<Account> manager, Account user, string? password) => Task.FromResult(
        Passwords.WrongIn(password, user.Row.Email, user.Row.Name) is { } wrong ? IdentityResult.Failed(new IdentityError { Code = nameof(EasyPasswords), Description = wrong }) : IdentityResult.Success);
}
